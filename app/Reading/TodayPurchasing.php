<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\PurchaseTables;
use App\Reading\Shapes\ChaseReason;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\TodayLine;
use App\Reading\Shapes\Tone;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Database\Query\Builder;

/** What of purchases needs somebody today: requests that wait, what came back of them, and suppliers who promise something else. */
final readonly class TodayPurchasing
{
    /** @param  int  $today  day number */
    public function __construct(private int $today)
    {
    }

    /** @return list<TodayLine> */
    public function lines(string $site): array
    {
        return [...$this->requests($site), ...$this->givenBack(), ...$this->otherwise($site)];
    }

    /** @return list<TodayLine> */
    private function requests(string $site): array
    {
        $open = PurchaseTables::open()->when($site !== '', fn (Builder $query) => $query->where('o.site_code', $site))
            ->selectRaw('count(*) as count, min(l.start) as first')->first();
        [$count, $first] = [Stored::int($open->count ?? 0), $open->first ?? null];

        return $count === 0 ? [] : [new TodayLine(
            icon: 'today', tone: Tone::Look,
            title: trans_choice('{1} 1 request|[2,*] :count requests', $count, ['count' => $count]),
            emphasis: trans_choice('{1} waits for purchasing|[2,*] wait for purchasing', $count),
            note: is_string($first) ? trans('the first to be ordered by :day', ['day' => Words::isoDay(substr($first, 0, 10), $this->today)]) : '',
            strip: null, action: new Link(trans('Buy'), '/requests?by=day'),
        )];
    }

    /** @return list<TodayLine> */
    private function givenBack(): array
    {
        $back = GivenBackList::rows();

        return $back === [] ? [] : [new TodayLine(
            icon: 'passed', tone: Tone::Look,
            title: trans_choice('{1} 1 request|[2,*] :count requests', count($back), ['count' => count($back)]),
            emphasis: trans('given back by purchasing'), note: "{$back[0]->item}: {$back[0]->reason}".(count($back) > 1 ? ' …' : ''),
            strip: null, action: new Link(trans('Look'), '/requests'),
        )];
    }

    /** @return list<TodayLine> */
    private function otherwise(string $site): array
    {
        $count = (new ChaseList($this->today))->count($site, ChaseReason::Otherwise);

        return $count === 0 ? [] : [new TodayLine(
            icon: 'moved', tone: Tone::Look,
            title: trans_choice('{1} 1 purchase line|[2,*] :count purchase lines', $count, ['count' => $count]),
            emphasis: trans('confirmed otherwise than asked'), note: '', strip: null,
            action: new Link(trans('Go through'), '/chase?why=otherwise'),
        )];
    }
}
