<?php

declare(strict_types=1);

namespace App\Outside;

use App\Actions\IssueGoods;
use App\Actions\ReceiveGoods;
use App\Actions\ReportDone;
use App\Models\User;
use App\Planning\LiveNetwork;
use App\Support\Refused;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Network;
use Yposta\Core\Study\DoesNotFit;

/** The floor and the stores: what is due is made of what is there, some of it is started, and what was sent arrives. */
final readonly class Floor
{
    private const DONE_IN_TIME = 97;

    /** Orders that are begun on a day, with their parts taken. */
    private const BEGUN = 3;

    public function __construct(
        private ReceiveGoods $receive,
        private IssueGoods $issue,
        private ReportDone $report,
        private LiveNetwork $data,
    ) {
    }

    /** @return list<string> what was done, in words */
    public function day(int $today, Dice $chance): array
    {
        return [...$this->arrived($today, $chance), ...$this->begun($today, $chance)];
    }

    /** @return list<string> */
    private function arrived(int $today, Dice $chance): array
    {
        $network = $this->data->read();
        $lines = [];
        foreach ($this->open($today, 'due') as $row) {
            if (! $chance->percent(self::DONE_IN_TIME)) {
                continue;
            }
            $line = [
                'order' => Stored::text($row->code), 'item' => '', 'qty' => Stored::int($row->qty) - Stored::int($row->received), 'last' => false,
                'parts' => $row->kind === 'make',
            ];
            $after = $this->tried($network, $line);
            if ($after !== null) {
                $network = $after;
                $lines[] = $line;
            }
        }

        return $lines === [] ? [] : [Stored::text(($this->receive)($lines, null, '', Key::fresh(), $this->person('stores'))['message'])];
    }

    /**
     * What comes of it; null where a part of it is not there.
     *
     * @param  array{order: string, item: string, qty: int, last: bool, parts: bool}  $line
     */
    private function tried(Network $network, array $line): ?Network
    {
        try {
            foreach ($this->receive->received($network, $line)[1] as $change) {
                $network = $change->apply($network);
            }

            return $network;
        } catch (DoesNotFit|Refused) {
            return null;
        }
    }

    /** @return list<string> */
    private function begun(int $today, Dice $chance): array
    {
        $said = [];
        $rows = array_values(array_filter($this->open($today, 'start'), fn (stdClass $row) => $row->kind === 'make'));
        for ($place = 0; $place < self::BEGUN && $rows !== []; $place++) {
            $row = $chance->oneOf($rows);
            $code = Stored::text($row->code);
            $parts = DB::table('order_components')->where('order_line_id', $row->id)->whereColumn('issued', '<', 'qty')->orderBy('line')->get();
            $wish = array_values($parts->map(fn (stdClass $part) => [
                'line' => Stored::text($part->line), 'qty' => Stored::int($part->qty) - Stored::int($part->issued),
            ])->all());
            try {
                $wish === [] || $said[] = Stored::text(($this->issue)($code, $wish, false, '', null, Key::fresh(), $this->person('stores'))['message']);
                $op = DB::table('order_operations')->where('order_line_id', $row->id)->where('done', 0)->orderBy('op')->value('op');
                $op === null || $said[] = Stored::text(
                    ($this->report)($code, Stored::int($op), 0, 0, '', null, '', Key::fresh(), $this->person('floor'))['message'],
                );
            } catch (Refused) {
                continue; // a part is not there: it waits
            }
        }

        return $said;
    }

    /** @return list<stdClass> released orders that are made or on their way, whose date has come */
    private function open(int $today, string $date): array
    {
        return array_values(DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->whereIn('o.kind', ['make', 'transfer'])
            ->where('o.status', 'released')->where('l.cancelled', false)->whereColumn('l.received', '<', 'l.qty')
            ->where("l.{$date}", '<=', Day::format($today))->orderBy('l.due')->orderBy('l.code')
            ->get(['l.id', 'l.code', 'l.qty', 'l.received', 'o.kind'])->all());
    }

    private function person(string $role): User
    {
        return User::role($role)->firstOrFail();
    }
}
