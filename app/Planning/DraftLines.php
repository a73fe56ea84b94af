<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Draft;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;

/** The lines of a draft as changes of the core. */
final class DraftLines
{
    /** @return list<list<Change>> */
    public static function of(?Draft $draft): array
    {
        return self::changes($draft->lines ?? []);
    }

    /**
     * @param  list<array{changes: list<array<string, mixed>>}>  $lines
     * @return list<list<Change>>
     */
    public static function changes(array $lines): array
    {
        return array_map(fn (array $line) => array_map(ChangeCodec::decode(...), $line['changes']), $lines);
    }
}
