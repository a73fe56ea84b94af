<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\OrderRow;
use App\Reading\Shapes\SalesRow;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;

/**
 * The lists that people work through as tables of plain values, filtered and sorted as they are on screen and without a limit.
 *
 * @phpstan-import-type Sheet from Sheets
 */
final class ListSheets
{
    /** Many, as the database sorts the whole list for each page of it. */
    private const ROWS_AT_ONCE = 5000;

    /** @return Sheet */
    public static function sales(DemandView $view, SalesFilter $filter, ListOrder $order): array
    {
        return [
            'name' => 'sales',
            'columns' => [
                'order' => 'text', 'line' => 'text', 'customer' => 'text', 'item' => 'text', 'name' => 'text', 'site' => 'text',
                'open' => 'number', 'unit' => 'text', 'due' => 'date', 'priority' => 'number', 'expected' => 'date', 'late_days' => 'number',
                'reason' => 'text',
            ],
            'rows' => self::paged(
                fn (int $from) => $view->sales($filter, $order, $from, self::ROWS_AT_ONCE)->rows,
                fn (SalesRow $row) => [
                    $row->order, $row->line, $row->customer, $row->item, $row->name, $row->site, $row->open, $row->unit, $row->due,
                    $row->priority, $row->expected, $row->lateDays, $row->reason,
                ],
            ),
        ];
    }

    /** @return Sheet */
    public static function orders(OrderIndex $view, OrderFilter $filter, ListOrder $order): array
    {
        return [
            'name' => 'orders',
            'columns' => [
                'order' => 'text', 'kind' => 'text', 'state' => 'text', 'what' => 'text', 'supplier' => 'text', 'site' => 'text',
                'lines' => 'number', 'to_come' => 'number', 'unit' => 'text', 'due' => 'date', 'days_late' => 'number', 'message' => 'text',
            ],
            'rows' => self::paged(
                fn (int $from) => $view->list($filter, $order, $from, self::ROWS_AT_ONCE)->rows,
                fn (OrderRow $row) => [
                    $row->code, $row->kind->value, $row->status->value, $row->what, $row->supplier, $row->site, $row->lines, $row->qty,
                    $row->qty === null ? null : $row->unit, $row->due, $row->daysLate, $row->message?->value,
                ],
            ),
        ];
    }

    /** @return Sheet newest first */
    public static function journal(string $text): array
    {
        return [
            'name' => 'journal',
            'columns' => ['when' => 'text', 'who' => 'text', 'what' => 'text'],
            'rows' => (function () use ($text): iterable {
                $names = DB::table('users')->pluck('name', 'id');
                foreach (JournalList::query($text)->orderByDesc('id')->cursor() as $entry) {
                    /** @var Activity $entry */
                    yield [
                        (string) $entry->created_at?->toIso8601String(), (string) ($names[$entry->causer_id] ?? trans('the system')),
                        (string) $entry->description,
                    ];
                }
            })(),
        ];
    }

    /**
     * @param  array<mixed>  $rows  of a ShortageList
     * @return Sheet
     */
    public static function shortages(array $rows): array
    {
        return [
            'name' => 'shortages',
            'columns' => [
                'item' => 'text', 'name' => 'text', 'site' => 'text', 'for' => 'text', 'date' => 'date', 'qty' => 'number', 'short' => 'number',
                'unit' => 'text', 'state' => 'text', 'expected' => 'date', 'late_days' => 'number', 'because' => 'text', 'hits' => 'text',
            ],
            'rows' => self::plain($rows, fn (array $row) => [
                $row['item'], $row['name'], $row['site'], $row['consumer']['label'], $row['date'], $row['qty'], $row['short'], $row['unit'],
                $row['state'], $row['expected'], $row['lateDays'], $row['because'], implode('; ', $row['hits']),
            ]),
        ];
    }

    /**
     * @param  array<mixed>  $rows  of a ReservationList
     * @return Sheet
     */
    public static function reservations(array $rows): array
    {
        return [
            'name' => 'reservations',
            'columns' => [
                'for' => 'text', 'item' => 'text', 'name' => 'text', 'due' => 'date', 'state' => 'text', 'parts' => 'number',
                'parts_held' => 'number', 'wanted' => 'number', 'held' => 'number', 'no_room_at' => 'text',
            ],
            'rows' => self::plain($rows, fn (array $row) => [
                $row['subject']['label'], $row['item'], $row['name'], $row['due'], $row['status'], $row['needs'], $row['complete'],
                $row['wanted'] === '' ? null : $row['wanted'], $row['kept'] === '' ? null : $row['kept'], $row['room'],
            ]),
        ];
    }

    /**
     * @template Row
     *
     * @param  callable(int): list<Row>  $page  rows from a place on
     * @param  callable(Row): list<string|int|null>  $values
     * @return iterable<list<string|int|null>>
     */
    private static function paged(callable $page, callable $values): iterable
    {
        for ($from = 0; ($rows = $page($from)) !== []; $from += self::ROWS_AT_ONCE) {
            foreach ($rows as $row) {
                yield $values($row);
            }
        }
    }

    /**
     * Rows that the plan was asked for, whichever process answered.
     *
     * @param  array<mixed>  $rows
     * @param  callable(array<string, mixed>): list<string|int|null>  $values
     * @return iterable<list<string|int|null>>
     */
    private static function plain(array $rows, callable $values): iterable
    {
        foreach ($rows as $row) {
            yield $values((array) json_decode(json_encode($row, JSON_THROW_ON_ERROR), true));
        }
    }
}
