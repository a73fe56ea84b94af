<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;
use Yposta\Core\Options\OptionSettings;

/** Writes a network and its options as a bundle that reads back to the same (sections 3 and 11). */
final readonly class BundleWriter
{
    public function __construct(private Network $network, private Options $options)
    {
    }

    /**
     * The columns and rows of each file; files without rows are left out.
     *
     * @return iterable<string, array{columns: list<string>, rows: list<list<string>>}> by file name
     */
    public function files(): iterable
    {
        $settings = OptionSettings::of($this->options);
        yield PlanSettings::FILE => [
            'columns' => ['key', 'value'],
            'rows' => array_map(fn (string $key, string $value) => [$key, $value], array_keys($settings), array_values($settings)),
        ];
        foreach (Network::classes() as $class) {
            $declaration = Declaration::of($class);
            $rows = array_map($declaration->fields(...), $this->network->rows($class));
            if ($rows !== []) {
                yield $declaration->file->name => ['columns' => $declaration->header(), 'rows' => $rows];
            }
        }
    }
}
