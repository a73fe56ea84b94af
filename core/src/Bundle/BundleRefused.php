<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use RuntimeException;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Support\Phrasebook;

/** A bundle with errors; nothing of it is taken. */
final class BundleRefused extends RuntimeException
{
    /** How many errors are worth showing at once. */
    public const SHOWN = 200;

    /** @param  non-empty-list<RowError>  $errors */
    public function __construct(public readonly array $errors)
    {
        parent::__construct(count($errors) === 1 ? (string) $errors[0] : count($errors)." errors, the first: {$errors[0]}");
    }

    /**
     * The first errors as lines, and a count of the rest.
     *
     * @return list<string>
     */
    public function lines(Phrasebook $book): array
    {
        $lines = array_map(fn (RowError $error) => $error->say($book), array_slice($this->errors, 0, self::SHOWN));
        $more = count($this->errors) - self::SHOWN;

        return $more > 0 ? [...$lines, $book->say(new Phrase('row.more', ['count' => $more]))] : $lines;
    }
}
