<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Models\Draft;
use App\Models\User;
use App\Planning\Dates;
use App\Planning\DraftCheck;
use App\Planning\DraftLines;
use App\Reading\ChangeSentences;
use App\Reading\Figures;
use App\Reading\Shapes\DraftedArrival;
use App\Reading\Shapes\DraftLine;
use App\Reading\Shapes\DraftMark;
use App\Reading\Shapes\DraftState;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Words;
use App\Trials\LivePlan;
use Illuminate\Support\Facades\Cache;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Study\AddShift;
use Yposta\Core\Study\CancelOrder;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCrew;
use Yposta\Core\Study\ChangeEfficiency;
use Yposta\Core\Study\CloseCentre;
use Yposta\Core\Study\MoveOperation;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\ResizeOrder;
use Yposta\Core\Study\ScaleDemand;
use Yposta\Core\Study\SplitOrder;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Tried;
use Yposta\Core\Trial\TriedLines;

/** A draft as its tray shows it: each line with its own effect, and the effect of all. */
final readonly class DraftEffects
{
    /** Lines and orders that slip, of each kind. */
    private const MOST_SLIPS = 60;

    /** Days told beside the lists: of those that slip most. */
    private const MOST_EXPECTED = 2000;

    private const NOTES = 3;

    /** Changes of when work centres work and of what is done there. */
    private const OF_SHOP = [
        AddShift::class, CloseCentre::class, ChangeEfficiency::class, MoveOperation::class, ChangeCrew::class, ResizeOrder::class,
        MoveOrder::class, SplitOrder::class, CancelOrder::class, PutOrder::class, ScaleDemand::class,
    ];

    /** Seconds for which it is known what a draft does. */
    private const REMEMBERED = 3600;

    public function __construct(private LivePlan $plan)
    {
    }

    public function of(?Draft $draft, User $user): DraftState
    {
        $lines = $draft->lines ?? [];
        $undo = ($draft->past ?? []) !== [];
        $redo = ($draft->future ?? []) !== [];
        if ($lines === []) {
            return new DraftState(
                version: $draft->version ?? 0,
                lines: [],
                figures: [],
                slips: [],
                canUndo: $undo,
                canRedo: $redo,
                troubles: 0,
            );
        }
        $changes = DraftLines::changes($lines);
        $network = $this->plan->network();
        $broken = $this->plan->trouble();
        $overBefore = $broken === null ? $this->overBefore($changes) : null;
        $tried = $broken === null ? $this->tried($changes, $user) : null;
        $over = $overBefore === null ? null : Figures::over($overBefore, $this->plan->live()->here(self::over(...)));
        $checks = DraftCheck::of($changes, array_column($lines, 'seen'), $network, $user);
        $planDate = Day::parse(Settings::planDate());
        $presenter = new TrialPresenter($network, $planDate);
        $say = new ChangeSentences($planDate, $network, $network);
        $rows = [];
        $troubles = 0;
        foreach ($lines as $place => $line) {
            $parts = array_map($say->sentence(...), $line['changes']);
            $own = $tried?->own[$place] ?? null;
            $trouble = $tried === null ? $checks[$place]->trouble : $tried->troubles[$place] ?? $checks[$place]->trouble;
            $troubles += $trouble === null ? 0 : 1;
            $rows[] = new DraftLine(
                id: $line['id'],
                kind: (string) ($line['changes'][0]['change'] ?? ''),
                sentence: $line['title'] ?? implode('; ', $parts),
                parts: $line['title'] === null ? [] : $parts,
                figures: $own === null ? [] : $presenter->figures($own),
                notes: $own === null ? [] : $this->notes($presenter, $own),
                trouble: $trouble === null ? null : Words::say($trouble, $planDate),
                moved: $checks[$place]->moved !== [],
                may: $checks[$place]->may,
            );
        }

        return new DraftState(
            version: $draft->version ?? 0,
            lines: $rows,
            figures: $tried === null ? [] : [...$presenter->figures($tried->effect), ...array_filter([$over])],
            slips: $tried === null ? [] : $this->slips($presenter, $tried),
            canUndo: $undo,
            canRedo: $redo,
            troubles: $troubles,
            expected: $tried === null ? [] : $this->expected($tried),
            broken: $broken === null ? null : $this->broken($broken, $changes),
        );
    }

    /**
     * The lines tried, those not again that were tried the last time that this plan was asked: they are remembered beside it, since the
     * process that answers is gone afterwards.
     *
     * @param  list<list<Change>>  $changes
     */
    private function tried(array $changes, User $user): Tried
    {
        $trial = $this->plan->live();
        $name = "draft-tried:{$user->id}";
        $kept = Cache::get($name);
        $known = is_array($kept) && ($kept['stamp'] ?? null) === $this->plan->stamp() && $kept['lines'] instanceof TriedLines
            ? $kept['lines']
            : null;
        $tried = $trial->tries($changes, $known);
        Cache::put($name, ['stamp' => $this->plan->stamp(), 'lines' => $tried->lines], self::REMEMBERED);

        return $tried;
    }

    /**
     * Hours over 100 % without the draft; null where no line is about when work centres work or what they do.
     *
     * @param  list<list<Change>>  $lines
     */
    private function overBefore(array $lines): ?int
    {
        $isOfShop = array_filter(array_merge(...$lines), fn (Change $change) => in_array($change::class, self::OF_SHOP, true)) !== [];

        return ! $isOfShop ? null : (int) Cache::remember(
            "hours-over:{$this->plan->stamp()}", self::REMEMBERED, fn () => $this->plan->live()->with([], self::over(...)),
        );
    }

    private static function over(Plan $plan): int
    {
        return (new Load($plan, ShopPlan::shop($plan), BucketSize::Week))->hoursOver();
    }

    /**
     * That the data cannot be planned, and whether they can with the draft.
     *
     * @param  list<list<Change>>  $changes
     */
    private function broken(Refused $trouble, array $changes): string
    {
        if ($trouble->reason !== 'data') {
            return $trouble->sentence();
        }
        $why = $trouble->phrase()->values['trouble'] ?? '';
        try {
            $this->plan->drafted($changes, fn () => null);
        } catch (Refused) {
            return Words::say(new Phrase('refused.plan.still_broken', ['trouble' => $why]));
        }

        return Words::say(new Phrase('refused.plan.mended', ['trouble' => $why]));
    }

    /** @return list<DraftMark> what stands in lists and is drafted otherwise */
    public function marks(?Draft $draft): array
    {
        $marks = [];
        $say = new ChangeSentences(Day::parse(Settings::planDate()));
        foreach ($draft->lines ?? [] as $line) {
            foreach ($line['changes'] as $fields) {
                $reference = match (true) {
                    $fields['change'] === 'change_sales_line' => (string) Reference::sales(
                        (string) $fields['order'],
                        (string) $fields['line'],
                    ),
                    isset($fields['order']) && is_string($fields['order']) => NewOrderCode::is($fields['order'])
                        ? null
                        : (string) Reference::order($fields['order']),
                    isset($fields['supply']) && is_string($fields['supply']) => $fields['supply'],
                    default => null,
                };
                if ($reference !== null) {
                    $due = $fields['change'] === 'split_order' ? null : $fields['due'] ?? null;
                    $marks[] = new DraftMark(
                        $reference, is_string($due) ? $due : null,
                        in_array($fields['change'], ['resize_order', 'split_order', 'change_sales_line'], true) && is_string($fields['qty'] ?? null)
                            ? $fields['qty']
                            : null,
                        $say->sentence($fields),
                    );
                }
            }
        }

        return $marks;
    }

    /** @return list<string> the worst and the best it does to customers, then to orders */
    private function notes(TrialPresenter $presenter, Effect $effect): array
    {
        $notes = [];
        foreach ([...$effect->lines, ...$effect->orders] as $change) {
            if (count($notes) < self::NOTES && ($change->hurts() || $change->helps()) && ! $change->arrival()->isOfNewOrder()) {
                $notes[] = $presenter->changeInWords($change);
            }
        }

        return $notes;
    }

    /** @return array<string, DraftedArrival> by reference */
    private function expected(Tried $tried): array
    {
        $dates = new Dates;
        $days = [];
        foreach (array_slice([...$tried->effect->lines, ...$tried->effect->orders], 0, self::MOST_EXPECTED) as $change) {
            $change->after === null || $days[$change->arrival()->reference] = new DraftedArrival(
                $dates->isoOrNull($change->after->expected), $change->after->lateDays(),
            );
        }

        return $days;
    }

    /** @return list<\App\Reading\Shapes\ArrivalChangeRow> */
    private function slips(TrialPresenter $presenter, Tried $tried): array
    {
        $slips = [];
        foreach ([$tried->effect->lines, $tried->effect->orders] as $list) {
            $moved = array_values(array_filter($list, fn ($change) => $change->days() !== 0 || $change->hurts()));
            foreach (array_slice($moved, 0, self::MOST_SLIPS) as $change) {
                $change->arrival()->isOfNewOrder() || $slips[] = $presenter->arrivalChange($change);
            }
        }

        return $slips;
    }
}
