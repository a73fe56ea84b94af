<?php

declare(strict_types=1);

namespace App\Planning\Trials;

use App\Models\Draft;
use App\Models\User;
use App\Planning\DraftLines;
use App\Planning\LinesCheck;
use App\Planning\Read\SayChange;
use App\Planning\Shapes\DraftLine;
use App\Planning\Shapes\DraftMark;
use App\Planning\Shapes\DraftState;
use App\Support\Settings;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Tried;

/** A draft as its tray shows it: each line with its own effect, and the effect of all. */
final readonly class Tray
{
    /** Lines and orders that slip, of each kind. */
    private const MOST_SLIPS = 60;

    private const NOTES = 3;

    public function __construct(private Desk $desk)
    {
    }

    public function of(?Draft $draft, User $user): DraftState
    {
        $lines = $draft->lines ?? [];
        $undo = ($draft->past ?? []) !== [];
        $redo = ($draft->future ?? []) !== [];
        if ($lines === []) {
            return new DraftState($draft->version ?? 0, [], [], [], $undo, $redo, 0);
        }
        $trial = $this->desk->live();
        $changes = DraftLines::changes($lines);
        $tried = $trial->tries($changes);
        $checks = LinesCheck::of($changes, array_column($lines, 'seen'), $trial->network(), $user);
        $planDate = Day::parse(Settings::planDate());
        $present = new Present($trial->network(), $planDate);
        $say = new SayChange($planDate);
        $rows = [];
        foreach ($lines as $place => $line) {
            $parts = array_map($say->sentence(...), $line['changes']);
            $own = $tried->own[$place] ?? null;
            $rows[] = new DraftLine(
                $line['id'], (string) ($line['changes'][0]['change'] ?? ''), $line['title'] ?? implode('; ', $parts), $line['title'] === null ? [] : $parts, $own === null ? [] : $present->figures($own),
                $own === null ? [] : $this->notes($present, $own), $tried->troubles[$place] ?? null, $checks[$place]->moved !== [], $checks[$place]->may,
            );
        }

        return new DraftState($draft->version ?? 0, $rows, $present->figures($tried->effect), $this->slips($present, $tried), $undo, $redo, count($tried->troubles));
    }

    /** @return list<DraftMark> what stands in lists and is drafted otherwise */
    public function marks(?Draft $draft): array
    {
        $marks = [];
        $say = new SayChange(Day::parse(Settings::planDate()));
        foreach ($draft->lines ?? [] as $line) {
            foreach ($line['changes'] as $fields) {
                $reference = match (true) {
                    $fields['change'] === 'change_sales_line' => "sales:{$fields['order']}/{$fields['line']}",
                    isset($fields['order']) && is_string($fields['order']) => "order:{$fields['order']}",
                    isset($fields['supply']) && is_string($fields['supply']) => $fields['supply'],
                    default => null,
                };
                if ($reference !== null && ! str_starts_with($reference, 'order:new:')) {
                    $due = $fields['change'] === 'split_order' ? null : $fields['due'] ?? null;
                    $marks[] = new DraftMark($reference, is_string($due) ? $due : null, in_array($fields['change'], ['resize_order', 'split_order', 'change_sales_line'], true) && is_string($fields['qty'] ?? null) ? $fields['qty'] : null, $say->sentence($fields));
                }
            }
        }

        return $marks;
    }

    /** @return list<string> the worst and the best it does to customers, then to orders */
    private function notes(Present $present, Effect $effect): array
    {
        $notes = [];
        foreach ([...$effect->lines, ...$effect->orders] as $slip) {
            if (count($notes) < self::NOTES && ($slip->hurts() || $slip->helps()) && ! str_starts_with($slip->arrival()->reference, 'order:new:')) {
                $notes[] = $present->slipInWords($slip);
            }
        }

        return $notes;
    }

    /** @return list<\App\Planning\Shapes\SlipRow> */
    private function slips(Present $present, Tried $tried): array
    {
        $slips = [];
        foreach ([$tried->effect->lines, $tried->effect->orders] as $list) {
            $moved = array_values(array_filter($list, fn ($slip) => $slip->days() !== 0 || $slip->hurts()));
            foreach (array_slice($moved, 0, self::MOST_SLIPS) as $slip) {
                str_starts_with($slip->arrival()->reference, 'order:new:') || $slips[] = $present->slip($slip);
            }
        }

        return $slips;
    }
}
