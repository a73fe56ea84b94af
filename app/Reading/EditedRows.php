<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\DataEdit;
use App\Reading\Shapes\DataEdited;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\PutRows;

/** Rows of master data that would be otherwise, said one by one and as one change for the draft. */
final class EditedRows
{
    /** So many are shown. */
    private const SHOWN = 8;

    /**
     * @param  class-string  $class  of all rows
     * @param  list<array{object, object}>  $pairs  as they are, and as they would be
     */
    public static function of(string $class, array $pairs): DataEdit
    {
        $declaration = Declaration::of($class);
        $new = array_map(fn (array $pair) => $pair[1], $pairs);
        $removed = $declaration->file->key === [] ? array_map(fn (array $pair) => $declaration->identity($pair[0]), $pairs) : [];
        $some = array_map(
            fn (array $pair) => new DataEdited($declaration->called($pair[0]), RowSentences::differences(...$pair)),
            array_slice($pairs, 0, self::SHOWN),
        );

        return new DataEdit(
            count($new), $some,
            $new === [] ? null : json_encode(ChangeCodec::encode(new PutRows($class, $new, $removed)), JSON_THROW_ON_ERROR),
        );
    }
}
