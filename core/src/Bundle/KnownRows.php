<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Surroundings;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\ReferenceLookup;
use Yposta\Core\Reference\Reference;

/**
 * The rows of a bundle that have been read so far, sound or not, so that a wrong row is not complained about again wherever it is named.
 */
final class KnownRows implements Surroundings
{
    /** @var array<string, array<string, object>> by class and code */
    private array $byCode = [];

    /** @var array<class-string, list<object>> by class */
    private array $rows = [];

    private ?ReferenceLookup $lookup = null;

    public function add(object $row, ?string $code): void
    {
        $this->rows[$row::class][] = $row;
        if ($code !== null) {
            $this->byCode[$row::class][$code] = $row;
        }
    }

    /** @return array<class-string, list<object>> */
    public function all(): array
    {
        return $this->rows;
    }

    public function knows(string $class, string $code): bool
    {
        return isset($this->byCode[$class][$code]);
    }

    public function decimals(string $item): int
    {
        $row = $this->byCode[Item::class][$item] ?? null;

        return $row instanceof Item ? $row->decimals : Decimal::FINEST;
    }

    public function holds(Reference $reference): bool
    {
        $this->lookup ??= new ReferenceLookup(Network::ofRows(array_diff_key($this->rows, ['Yposta\Core\Network\CalendarWeek' => true])));

        return $this->lookup->exists($reference);
    }
}
