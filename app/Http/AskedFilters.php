<?php

declare(strict_types=1);

namespace App\Http;

use App\Reading\OrderFilter;
use App\Trials\ShortageFilter;
use Illuminate\Http\Request;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Shortage\NeedState;

/** The filters of lists that are shown, paged and exported alike, read from an address. What is no filter of theirs is left aside. */
final class AskedFilters
{
    public static function orders(Request $request, string $site): OrderFilter
    {
        $kind = $request->query('kind');
        $status = $request->query('status');

        return new OrderFilter(
            site: $site,
            kind: in_array($kind, ['buy', 'make', 'transfer'], true) ? $kind : '',
            status: in_array($status, ['firm', 'released', 'done', 'cancelled', 'all'], true) ? $status : 'open',
            text: self::text($request),
            withMessage: $request->boolean('said'),
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
        $day = function (string $name) use ($request): string {
            $text = $request->string($name)->toString();

            try {
                return Day::format(Day::parse($text));
            } catch (InvalidDay) {
                return '';
            }
        };
        $by = $request->query('by');

        return [
            'days' => (string) min(120, max(0, (int) $request->query('days', '18'))), 'from' => $day('from'), 'to' => $day('to'),
            'by' => $by === 'component' || $by === 'order' || $by === 'customer' ? $by : 'day', 'state' => $state->value ?? '',
            'q' => self::text($request),
        ];
    }

    private static function text(Request $request): string
    {
        return $request->string('q')->limit(60, '')->toString();
    }
}
