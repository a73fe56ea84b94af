<?php

declare(strict_types=1);

namespace App\Documents;

use App\Support\Settings;
use App\Support\Stored;
use App\Support\Words;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Sabre\VObject\Component\VCalendar;
use stdClass;
use Yposta\Core\Calendar\Day;

/** When what is open is due, as an iCalendar (RFC 5545) that calendars read again and again: one day for each line. */
final class DueCalendar
{
    /** Lines that are told; those due first. */
    private const MOST = 2_000;

    /** Days for which what was due in the past is told. */
    private const PAST = 60;

    public const KINDS = ['buy', 'make', 'transfer', 'sales'];

    /** @param  list<string>  $kinds  of {@see self::KINDS} */
    public static function of(array $kinds): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Yposta//Due dates//EN', 'X-WR-CALNAME' => (string) trans('Due dates')]);
        $orders = array_values(array_diff($kinds, ['sales']));
        foreach ([...($orders === [] ? [] : self::orders($orders)), ...(in_array('sales', $kinds, true) ? self::sales() : [])] as $row) {
            $day = new DateTimeImmutable(substr(Stored::text($row->due), 0, 10));
            $event = $calendar->createComponent('VEVENT', [
                'UID' => "{$row->kind}-{$row->code}@yposta", 'SUMMARY' => self::said($row), 'TRANSP' => 'TRANSPARENT',
            ]);
            $event->add('DTSTART', $day, ['VALUE' => 'DATE']);
            $event->add('DTEND', $day->modify('+1 day'), ['VALUE' => 'DATE']);
            $calendar->add($event);
        }

        return $calendar->serialize();
    }

    /**
     * @param  non-empty-list<string>  $kinds
     * @return list<stdClass>
     */
    private static function orders(array $kinds): array
    {
        return array_values(self::newest(DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')
            ->join('items as i', 'i.code', '=', 'l.item_code')->leftJoin('suppliers as s', 's.code', '=', 'o.supplier_code')
            ->whereIn('o.kind', $kinds)->whereNotIn('o.status', ['done', 'cancelled'])->where('l.cancelled', false)->whereColumn('l.received', '<', 'l.qty'), 'l.due')
            ->selectRaw('o.kind, l.code, l.item_code, l.qty - l.received as open, i.unit, l.due, s.name as whom')->get()->all());
    }

    /** @return list<stdClass> */
    private static function sales(): array
    {
        return array_values(self::newest(DB::table('sales_lines as l')->join('items as i', 'i.code', '=', 'l.item_code')->whereNull('l.held_until')
            ->whereColumn('l.shipped', '<', 'l.qty'), 'l.due')
            ->selectRaw("'sales' as kind, l.order_code || '/' || l.line as code, l.item_code, l.qty - l.shipped as open, i.unit, l.due, l.customer as whom")
            ->get()->all());
    }

    private static function newest(Builder $query, string $due): Builder
    {
        return $query->where($due, '>=', Day::format(Day::parse(Settings::planDate()) - self::PAST))->orderBy($due)->limit(self::MOST);
    }

    private static function said(stdClass $row): string
    {
        $what = Words::quantity(Stored::int($row->open), Stored::text($row->unit)).' '.Stored::text($row->item_code);
        $whom = Stored::textOrNull($row->whom);

        return "{$row->code}: {$what}".($whom === null || $whom === '' ? '' : ", {$whom}");
    }
}
