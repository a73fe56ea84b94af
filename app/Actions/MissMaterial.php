<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\Journal;
use App\Support\Say;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;

/** Marks a material as missing on an order until a day; anyone on the floor may. A planner sees it until it is dealt with. */
final readonly class MissMaterial
{
    /** @throws Refused */
    public function __invoke(string $order, string $line, string $until, string $note, User $by): int
    {
        $component = DB::table('order_components as c')->join('order_lines as l', 'l.id', '=', 'c.order_line_id')->where('l.code', $order)->where('c.line', $line)->first(['c.item_code']);
        if ($component === null) {
            throw new Refused("{$order} has no component {$line}. Nothing was noted.", 'gone');
        }
        if (Day::parse($until) < Day::parse(Settings::planDate())) {
            throw new Refused('The day has passed. Nothing was noted.', 'until');
        }
        $id = (int) DB::table('missing_materials')->insertGetId(['order_code' => $order, 'line' => $line, 'item_code' => $component->item_code, 'until' => $until, 'note' => trim($note), 'user_id' => $by->id, 'created_at' => now()]);
        Journal::note('material missing', "{$component->item_code} missing on {$order} until ".Say::isoDay($until, Day::parse(Settings::planDate())).(trim($note) === '' ? '' : ": {$note}"), $by);

        return $id;
    }

    /** @throws Refused when somebody else was faster */
    public function deal(int $id, User $by): void
    {
        if (DB::table('missing_materials')->where('id', $id)->whereNull('dealt_at')->update(['dealt_at' => now(), 'dealt_by' => $by->id]) === 0) {
            throw new Refused('This has been dealt with already.', 'stale');
        }
    }
}
