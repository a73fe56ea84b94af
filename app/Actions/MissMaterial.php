<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\NetworkReader;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\OrderRows;
use Yposta\Core\Support\Phrase;

/** Marks a material as missing on an order until a day; anyone on the floor may. A planner sees it until it is dealt with. */
final readonly class MissMaterial
{
    public function __construct(private NetworkReader $reader, private EditDraft $draft)
    {
    }

    /** @throws Refused */
    public function __invoke(string $order, string $line, string $until, string $note, User $by): int
    {
        $item = $this->component($order, $line);
        if ($item === null) {
            throw Refused::because('missing.no_component', ['order' => $order, 'line' => $line], 'gone');
        }
        if (Day::parse($until) < Day::parse(Settings::planDate())) {
            throw Refused::because('missing.day_passed', [], 'until');
        }
        $id = (int) DB::table('missing_materials')->insertGetId([
            'order_code' => $order, 'line' => $line, 'item_code' => $item, 'until' => $until,
            'note' => trim($note), 'user_id' => $by->id, 'created_at' => now(),
        ]);
        Journal::note(
            'material missing',
            Words::say(new Phrase(
                trim($note) === '' ? 'journal.missing.noted' : 'journal.missing.noted_why',
                [
                    'item' => $item, 'order' => $order, 'until' => new Date(Day::parse($until)),
                    'note' => trim($note),
                ],
            )),
            $by,
        );

        return $id;
    }

    /** The item of a component row; an order without rows of its own has those that its structure gives it (section 4). */
    private function component(string $order, string $line): ?string
    {
        $rows = DB::table('order_components as c')->join('order_lines as l', 'l.id', '=', 'c.order_line_id')->where('l.code', $order)
            ->pluck('c.item_code', 'c.line')->all();
        if ($rows === []) {
            $network = $this->reader->read();
            $given = isset($network->orders[$order]) ? OrderRows::of($network, $order) : [];
            $rows = array_column($given, 'item', 'line');
        }

        return isset($rows[$line]) ? (string) $rows[$line] : null;
    }

    /**
     * Drafts the order no earlier than the day on which the material is there, so that one sees what slips.
     *
     * @return string|null why there is nothing to draft
     */
    public function draft(int $id, User $by): ?string
    {
        $row = DB::table('missing_materials')->where('id', $id)->first() ?? throw Refused::because('missing.dealt_with', [], 'gone');
        $move = MoveOrder::notBefore($this->reader->read(), $row->order_code, Day::parse(substr((string) $row->until, 0, 10)));
        if ($move === null) {
            return (string) trans(':order does not begin before that day; nothing slips.', ['order' => $row->order_code]);
        }
        $this->draft->add(
            $by,
            [ChangeCodec::encode($move)],
            (string) trans(':order waits for :item', ['order' => $row->order_code, 'item' => $row->item_code]),
        );

        return null;
    }

    /** @throws Refused when somebody else was faster */
    public function deal(int $id, User $by): void
    {
        if (DB::table('missing_materials')->where('id', $id)->whereNull('dealt_at')
            ->update(['dealt_at' => now(), 'dealt_by' => $by->id]) === 0) {
            throw Refused::because('missing.dealt_with', [], 'stale');
        }
    }
}
