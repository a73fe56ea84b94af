<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\LiveNetwork;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Settings;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\IssuePart;
use Yposta\Core\Study\OperationRows;
use Yposta\Core\Study\ReportWork;
use Yposta\Core\Study\UsedParts;
use Yposta\Core\Support\Phrase;

/** Writes what was started and done on the floor; what is still to be done goes on from there, what lies behind stays as it was. */
final readonly class ReportDone
{
    public function __construct(private CommitChanges $commit, private LiveNetwork $data)
    {
    }

    /**
     * @param  int  $done  good pieces, millionths; 0 where it has only been started
     * @param  int  $scrap  millionths
     * @param  string  $reason  of the scrap
     * @param  int|null  $minutes  that it took
     * @return array<string, mixed> Told
     *
     * @throws Refused when the order is over or has less, or scrap has no reason
     */
    public function __invoke(
        string $order,
        int $op,
        int $done,
        int $scrap,
        string $reason,
        ?int $minutes,
        string $note,
        string $key,
        User $by,
    ): array {
        $by->can(Roles::REPORT) || throw Refused::because('report.forbidden', [], 'forbidden');
        $scrap === 0 || $reason !== '' || throw Refused::because('report.no_reason', [], 'reason');

        return Idempotency::once($key, 'report work', $by, function () use ($order, $op, $done, $scrap, $reason, $minutes, $note, $by): array {
            $network = $this->data->read();
            $own = $network->orders[$order] ?? throw Refused::because('report.over', ['order' => $order], 'over');
            in_array($own->status, [OrderStatus::Firm, OrderStatus::Released], true) || throw Refused::because('report.over', ['order' => $order], 'over');
            try {
                $row = OperationRows::one($network, $order, $op);
            } catch (DoesNotFit $trouble) {
                throw Refused::because('report.unfit', ['trouble' => $trouble->phrase()], 'fit');
            }
            $unit = $network->items[$own->item]->unit;
            $said = new Phrase($done === 0 ? 'journal.report.started' : 'journal.report.done', [
                'order' => $order, 'op' => $op, 'centre' => $row->workCentre, 'qty' => new Amount($done, $unit),
            ]);
            $sentence = Words::say($said).($scrap === 0 ? '' : Words::say(new Phrase('journal.report.scrap', [
                'qty' => new Amount($scrap, $unit), 'reason' => $reason,
            ])));
            // what is left of it goes on from now
            $report = new ReportWork($order, $op, $done, Minute::format(self::now()));
            [$used, $told] = $this->used($network, $report, $row->done + $done + $scrap);
            $sentence = implode('; ', [$sentence, ...$told]);
            ($this->commit)([[$report, ...$used]], [], $by, $sentence, Roles::REPORT);
            DB::table('work_reports')->insert([
                'order_code' => $order, 'op' => $op, 'work_centre_code' => $row->workCentre, 'done' => $done, 'scrap' => $scrap,
                'reason' => $reason, 'minutes' => $minutes, 'note' => $note, 'user_id' => $by->id, 'created_at' => now(),
            ]);

            return get_object_vars(new Told($sentence));
        });
    }

    /**
     * What the work has used by itself.
     *
     * @param  int  $through  good pieces, and the scrap of this report, millionths
     * @return array{list<IssuePart>, list<string>} and what is said of it
     */
    private function used(Network $network, ReportWork $report, int $through): array
    {
        $scrap = Stored::int(DB::table('work_reports')->where('order_code', $report->order)->where('op', $report->op)->sum('scrap'));
        $wanted = UsedParts::by($network, $network->orders[$report->order], $report->op, $through + $scrap);
        if ($wanted === []) {
            return [[], []];
        }
        try {
            return AutoIssue::of($report->apply($network), $wanted);
        } catch (DoesNotFit) {
            return [[], []]; // the report itself is refused then
        }
    }

    /** The minute of the clock on the plan date. */
    private static function now(): int
    {
        return Day::parse(Settings::planDate()) * Minute::DAY + (int) now()->format('H') * 60 + (int) now()->format('i');
    }
}
