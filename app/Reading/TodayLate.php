<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\Link;
use App\Reading\Shapes\TodayLine;
use App\Reading\Shapes\Tone;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Database\Query\Builder;

/** Ordered lines that come late or not at all, worst for customers first. */
final readonly class TodayLate
{
    /** Lines that stand one by one; the rest is counted. */
    private const ONE_BY_ONE = 4;

    private Describe $describe;

    /** @param  Builder  $demands  those of the plan at the sites looked at, as `d` */
    public function __construct(private StoredPlan $plan, private Builder $demands)
    {
        $this->describe = new Describe($plan);
    }

    /** @return list<TodayLine> */
    public function lines(): array
    {
        return [...$this->late(), ...$this->uncovered()];
    }

    /** @return list<TodayLine> */
    private function late(): array
    {
        $late = StoredPlan::late($this->ordered())->orderBy('d.priority')
            ->orderByDesc('d.late_days')->orderBy('d.date');
        $counts = (clone $late)->reorder()->selectRaw('count(*) as late, sum(case when d.late_days = 0 then 1 else 0 end) as passed')->first();
        [$count, $passed] = [Stored::int($counts->late ?? 0), Stored::int($counts->passed ?? 0)];
        $numbers = array_values($late->limit(self::ONE_BY_ONE)->pluck('d.n')->map(fn ($value) => (int) $value)->all());
        $lines = [];
        foreach ($this->plan->pegsOfDemands($numbers) as $n => $pegs) {
            $demand = $this->plan->demandNumbered($n);
            $point = $this->plan->pointOf($demand->point);
            $lines[] = new TodayLine(
                icon: 'late',
                tone: Tone::Broken,
                title: "{$demand->name}/{$demand->line} {$demand->customer}, ".Words::quantity($demand->qty, $point->unit)
                    ." {$point->item}:",
                emphasis: trans_choice('{1} 1 day late|[2,*] :count days late', max(1, $demand->daysPastDue())),
                note: $demand->lateDays() > 0
                    ? trans('waits for :reason', ['reason' => (string) $this->plan->holdUpOf($demand)])
                    : trans('its date has passed'),
                strip: $this->describe->strip($demand, $pegs),
                action: new Link(trans('See why'), Describe::lineHref($demand)),
            );
        }
        if ($count > self::ONE_BY_ONE) {
            $more = $count - self::ONE_BY_ONE;
            $lines[] = new TodayLine(
                icon: 'late',
                tone: Tone::Broken,
                title: trans_choice('{1} 1 more ordered line|[2,*] :count more ordered lines', $more, ['count' => $more]),
                emphasis: trans('late'),
                note: $this->afterTheirDate($passed, $count),
                strip: null,
                action: new Link(trans('Go through'), '/demand?late=1'),
            );
        }

        return $lines;
    }

    /** Why more lines are late here than in the figures of the plan, which begin at the plan date. */
    private function afterTheirDate(int $passed, int $late): string
    {
        return $passed === 0 ? '' : (string) trans_choice(
            '{1} 1 of all :late only because its date has passed|[2,*] :count of all :late only because their date has passed',
            $passed,
            ['count' => $passed, 'late' => $late],
        );
    }

    /** @return list<TodayLine> */
    private function uncovered(): array
    {
        $count = $this->ordered()->where('d.uncovered', '>', 0)->count();

        return $count === 0 ? [] : [new TodayLine(
            icon: 'late',
            tone: Tone::Broken,
            title: trans_choice('{1} 1 ordered line|[2,*] :count ordered lines', $count, ['count' => $count]),
            emphasis: trans('not covered at all'),
            note: '',
            strip: null,
            action: new Link(trans('Go through'), '/demand'),
        )];
    }

    private function ordered(): Builder
    {
        return (clone $this->demands)->whereIn('d.kind', StoredPlan::ORDERED);
    }
}
