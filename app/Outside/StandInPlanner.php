<?php

declare(strict_types=1);

namespace App\Outside;

use App\Actions\CommitChanges;
use App\Actions\ConfirmLines;
use App\Actions\ConvertProposals;
use App\Actions\SendOrder;
use App\Actions\SendTransfer;
use App\Actions\StartRun;
use App\Models\Order;
use App\Models\Run;
use App\Models\User;
use App\Reading\ChaseList;
use App\Reading\ConversionLine;
use App\Reading\OpenProposals;
use App\Reading\ProposalFilter;
use App\Reading\Shapes\ChaseReason;
use App\Reading\Shapes\ChaseRow;
use App\Reading\StoredPlan;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Study\ReleaseOrder;

/**
 * A planner, a buyer and a scheduler who do every day what is due and nothing else: run the plan, order what has to be ordered, send and
 * release it, take over what suppliers confirm. For many days in a row, where nobody sits in front of it.
 */
final readonly class StandInPlanner
{
    private const AT_ONCE = 1_000;

    public function __construct(
        private StartRun $run,
        private ConvertProposals $convert,
        private SendOrder $send,
        private SendTransfer $transfer,
        private ConfirmLines $confirm,
        private CommitChanges $commit,
    ) {
    }

    /**
     * @return int how many orders were made
     *
     * @throws Refused when the plan cannot be made
     */
    public function day(): int
    {
        $today = Day::parse(Settings::planDate());
        $this->accept($today);
        $run = ($this->run)([], User::role('planner')->firstOrFail());
        $run->status === 'done' || throw Refused::because('day.no_plan', ['trouble' => (string) $run->trouble]);
        $made = $this->order($run, $today);
        $this->sendAll();
        $this->releaseAll($today);

        return $made;
    }

    private function accept(int $today): void
    {
        $rows = (new ChaseList($today))->rows('', ChaseReason::Otherwise, '')[0];
        $codes = array_map(fn (ChaseRow $row) => $row->code, $rows);
        $codes === [] || $this->confirm->accept($codes, Key::fresh(), User::role('buyer')->firstOrFail());
    }

    private function order(Run $run, int $today): int
    {
        $plan = new StoredPlan($run);
        $rows = (new OpenProposals($plan, new ProposalFilter('', Day::format($today))))->query()->orderBy('s.start')->orderBy('s.n')->limit(self::AT_ONCE)
            ->get(['s.name', 's.type', 's.supplier_code']);
        $lines = array_values($rows->filter(fn ($row) => $row->type !== 'buy' || $row->supplier_code !== null)
            ->map(fn ($row) => new ConversionLine(Stored::int((int) $row->name)))->all());
        $lines === [] || ($this->convert)($run->id, $lines, Key::fresh(), true, true, User::role('planner')->firstOrFail());

        return count($lines);
    }

    private function sendAll(): void
    {
        $buyer = User::role('buyer')->firstOrFail();
        foreach (Order::query()->where('kind', 'buy')->where('status', 'firm')->where('is_request', false)->whereNotNull('supplier_code')->orderBy('id')->get() as $order) {
            ($this->send)($order->code, false, null, $order->version, Key::fresh(), $buyer);
        }
    }

    private function releaseAll(int $today): void
    {
        $due = fn (string $kind) => DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.kind', $kind)->where('o.status', 'firm')
            ->where('l.cancelled', false)->where('l.start', '<=', Day::format($today))->orderBy('l.code')->pluck('l.code')->map(Stored::text(...));
        $make = array_values($due('make')->map(fn (string $code) => new ReleaseOrder($code))->all());
        $make === [] || ($this->commit)([$make], [], User::role('scheduler')->firstOrFail());
        foreach ($due('transfer') as $code) {
            try {
                ($this->transfer)($code, null, '', Key::fresh(), User::role('stores')->firstOrFail());
            } catch (Refused) {
                continue; // it is not there yet
            }
        }
    }
}
