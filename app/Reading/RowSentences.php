<?php

declare(strict_types=1);

namespace App\Reading;

use App\Support\NumberStyle;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\DeclaredColumn;
use Yposta\Core\Network\Network;
use Yposta\Core\Study\PutRows;

/** Says what was done to rows of master data: of one row what of it, of many how many. */
final class RowSentences
{
    /** @param  Network|null  $before  that the change was made to; without one only the rows are named */
    public static function of(PutRows $change, ?Network $before): string
    {
        $declaration = Declaration::of($change->class);
        $kind = $change->kind();
        if (count($change->rows) === 1 && count($change->removed) <= 1) {
            $row = $change->rows[0];
            $old = $before === null ? null : self::find($before, $change->class, $change->removed[0] ?? $declaration->identity($row));
            $named = ['kind' => (string) trans("data.kinds.{$kind}.one"), 'row' => $declaration->called($row)];

            return $before !== null && $old === null
                ? (string) trans('data.changed.new', $named)
                : (string) trans('data.changed.one', [...$named, 'what' => $old === null ? (string) trans('data.changed.written') : self::differences($old, $row)]);
        }
        if ($change->rows === [] && count($change->removed) === 1) {
            $old = $before === null ? null : self::find($before, $change->class, $change->removed[0]);

            return (string) trans('data.changed.gone', [
                'kind' => (string) trans("data.kinds.{$kind}.one"),
                'row' => $old === null ? trim(implode(' ', array_slice($change->removed[0], 0, 3))) : $declaration->called($old),
            ]);
        }

        return self::counted($change, $before);
    }

    /** What of a row is otherwise than in another, in words. */
    public static function differences(object $old, object $new): string
    {
        $declaration = Declaration::of($new::class);
        [$before, $after] = [$declaration->fields($old), $declaration->fields($new)];
        $said = [];
        foreach (array_values($declaration->columns) as $place => $column) {
            if ($before[$place] !== $after[$place]) {
                $said[] = (string) trans('data.changed.value', [
                    'column' => (string) trans("data.columns.{$column->name}"),
                    'from' => self::value($column, $before[$place]), 'to' => self::value($column, $after[$place]),
                ]);
            }
        }

        return $said === [] ? (string) trans('data.changed.written') : implode(', ', $said);
    }

    private static function value(DeclaredColumn $column, string $text): string
    {
        return $text === ''
            ? (string) trans('data.changed.nothing')
            : ($column->type() instanceof Decimal ? NumberStyle::now()->written($text) : $text);
    }

    private static function counted(PutRows $change, ?Network $before): string
    {
        $declaration = Declaration::of($change->class);
        $known = [];
        foreach ($before === null ? [] : $before->rows($change->class) as $row) {
            $known[implode("\x1f", $declaration->identity($row))] = true;
        }
        $isKnown = fn (object $row) => $before === null || isset($known[implode("\x1f", $declaration->identity($row))]);
        $isKeyed = $declaration->file->key !== [];
        $changed = $isKeyed
            ? count(array_filter($change->rows, $isKnown))
            : min(count($change->rows), count($change->removed));
        $counts = [
            'new' => count($change->rows) - $changed, 'changed' => $changed, 'gone' => count($change->removed) - ($isKeyed ? 0 : $changed),
        ];
        $said = [];
        foreach (array_filter($counts) as $what => $count) {
            $said[] = (string) trans("data.changed.counted.{$what}", ['count' => $count]);
        }

        return (string) trans('data.changed.many', [
            'count' => array_sum($counts), 'kind' => (string) trans("data.kinds.{$change->kind()}.many"), 'what' => implode(', ', $said),
        ]);
    }

    /**
     * @param  class-string  $class
     * @param  list<string>  $identity
     */
    private static function find(Network $network, string $class, array $identity): ?object
    {
        $declaration = Declaration::of($class);
        foreach ($network->rows($class) as $row) {
            if ($declaration->identity($row) === $identity) {
                return $row;
            }
        }

        return null;
    }
}
