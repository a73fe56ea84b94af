<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Models\Draft;
use App\Models\User;
use App\Planning\DraftCheck;
use App\Planning\DraftLines;
use App\Reading\ChangeSentences;
use App\Reading\Shapes\DraftLine;
use App\Reading\Shapes\DraftMark;
use App\Reading\Shapes\DraftState;
use App\Support\Settings;
use App\Support\Words;
use App\Trials\LivePlan;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Tried;

/** A draft as its tray shows it: each line with its own effect, and the effect of all. */
final readonly class DraftEffects
{
    /** Lines and orders that slip, of each kind. */
    private const MOST_SLIPS = 60;

    private const NOTES = 3;

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
        $trial = $this->plan->live();
        $changes = DraftLines::changes($lines);
        $tried = $trial->tries($changes);
        $checks = DraftCheck::of($changes, array_column($lines, 'seen'), $trial->network(), $user);
        $planDate = Day::parse(Settings::planDate());
        $presenter = new TrialPresenter($trial->network(), $planDate);
        $say = new ChangeSentences($planDate, $trial->network());
        $rows = [];
        foreach ($lines as $place => $line) {
            $parts = array_map($say->sentence(...), $line['changes']);
            $own = $tried->own[$place] ?? null;
            $rows[] = new DraftLine(
                id: $line['id'],
                kind: (string) ($line['changes'][0]['change'] ?? ''),
                sentence: $line['title'] ?? implode('; ', $parts),
                parts: $line['title'] === null ? [] : $parts,
                figures: $own === null ? [] : $presenter->figures($own),
                notes: $own === null ? [] : $this->notes($presenter, $own),
                trouble: isset($tried->troubles[$place]) ? Words::say($tried->troubles[$place], $planDate) : null,
                moved: $checks[$place]->moved !== [],
                may: $checks[$place]->may,
            );
        }

        return new DraftState(
            version: $draft->version ?? 0,
            lines: $rows,
            figures: $presenter->figures($tried->effect),
            slips: $this->slips($presenter, $tried),
            canUndo: $undo,
            canRedo: $redo,
            troubles: count($tried->troubles),
        );
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
