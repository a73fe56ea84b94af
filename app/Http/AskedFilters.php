<?php

declare(strict_types=1);

namespace App\Http;

use App\Reading\OrderFilter;
use App\Reading\SalesFilter;
use App\Trials\LoadFilter;
use App\Trials\ShortageFilter;
use Illuminate\Http\Request;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Shortage\NeedState;

/** The filters of lists that are shown, paged and exported alike, read from an address. What is no filter of theirs is left aside. */
final class AskedFilters
{
    public static function orders(Request $request, string $site): OrderFilter
    {
        $kind = $request->query('kind');
        $status = $request->query('status');
        $by = $request->query('by');

        return new OrderFilter(
            site: $site,
            kind: in_array($kind, ['buy', 'make', 'transfer'], true) ? $kind : '',
            status: in_array($status, ['request', 'firm', 'released', 'unconfirmed', 'done', 'cancelled', 'all'], true) ? $status : 'open',
            text: self::text($request),
            withMessage: $request->boolean('said'),
            late: $request->boolean('late'),
            by: in_array($by, ['supplier', 'site', 'state', 'week'], true) ? $by : '',
        );
    }

    public static function sales(Request $request, string $site): SalesFilter
    {
        $by = $request->query('by');

        return new SalesFilter(
            $site, $request->string('q')->limit(60, '')->toString(), $request->boolean('late'),
            in_array($by, ['customer', 'item', 'week', 'site'], true) ? $by : '',
        );
    }

    /** @param  int  $rows  at the most */
    public static function shortages(Request $request, string $site, int $rows = ShortageFilter::PAGE): ShortageFilter
    {
        $filter = self::shortagesShown($request);

        return new ShortageFilter(
            days: (int) $filter['days'], site: $site, from: $filter['from'], to: $filter['to'], state: $filter['state'],
            by: $filter['by'], q: $filter['q'], offset: max(0, $request->integer('offset')),
            open: $request->string('open')->limit(190, '')->toString(), rows: $rows,
        );
    }

    /** @return array{days: string, from: string, to: string, by: 'day'|'component'|'order'|'customer', state: value-of<NeedState>|'', q: string} as the address of the page has it */
    public static function shortagesShown(Request $request): array
    {
        $state = NeedState::tryFrom($request->string('state')->toString());
        $by = $request->query('by');

        return [
            'days' => (string) min(120, max(0, (int) $request->query('days', '18'))), 'from' => self::day($request, 'from'), 'to' => self::day($request, 'to'),
            'by' => $by === 'component' || $by === 'order' || $by === 'customer' ? $by : 'day', 'state' => $state->value ?? '',
            'q' => self::text($request),
        ];
    }

    public static function load(Request $request, string $site): LoadFilter
    {
        $filter = self::loadShown($request);

        return new LoadFilter(
            bucket: $filter['bucket'], from: $filter['from'], site: $site, kind: $filter['kind'], q: $filter['q'], over: $filter['over'] === '1',
        );
    }

    /** @return array{bucket: value-of<BucketSize>, as: 'percent'|'hours', from: string, kind: ''|'orders'|'proposals', over: ''|'1', q: string} as the address of the page has it */
    public static function loadShown(Request $request): array
    {
        $kind = $request->query('kind');

        return [
            'bucket' => (BucketSize::tryFrom($request->string('bucket')->toString()) ?? BucketSize::Week)->value,
            'as' => $request->query('as') === 'hours' ? 'hours' : 'percent', 'from' => self::day($request, 'from'),
            'kind' => $kind === 'orders' || $kind === 'proposals' ? $kind : '', 'over' => $request->query('over') === '1' ? '1' : '',
            'q' => self::text($request),
        ];
    }

    /** A day of the address as ISO date; empty where it is none. */
    private static function day(Request $request, string $name): string
    {
        try {
            return Day::format(Day::parse($request->string($name)->toString()));
        } catch (InvalidDay) {
            return '';
        }
    }

    private static function text(Request $request): string
    {
        return $request->string('q')->limit(60, '')->toString();
    }
}
