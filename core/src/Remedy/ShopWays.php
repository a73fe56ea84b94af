<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Plan\FirstNeed;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\SupplyIdentity;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\PlaceReason;
use Yposta\Core\Scheduling\PlaceReasonKind;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\NoOrigins;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Outcome;
use Yposta\Core\Trial\ShopStand;
use Yposta\Core\Trial\Trial;

/**
 * The ways by which an order or proposal leaves the shop sooner. They are looked for along what holds it: its operations, and those of the
 * orders whose material it waits for. Each is planned with the shop as it then stands. One that brings neither it nor others sooner is left
 * out, and so is one that costs others more days than it brings and still leaves it late.
 */
final readonly class ShopWays
{
    /** So many are tried. */
    private const MOST = 14;

    private ShopStand $shop;

    public function __construct(Trial $trial, private ProposalOrigins $origins = new NoOrigins)
    {
        $this->shop = new ShopStand($trial);
    }

    /**
     * Those that help, as they are found; null for each that was tried and does not, so that whoever goes through them can stop.
     *
     * @param  string  $identity  {@see SupplyIdentity}
     * @return iterable<TriedRemedy|null> solves: whether it is there when it is wanted first; expected: the day on which it is there
     */
    public function for(string $identity): iterable
    {
        [$candidates, $before, $end] = $this->shop->with([], function (Plan $plan, Schedule $schedule) use ($identity): array {
            $supply = SupplyIdentity::find($plan, $identity);
            $end = $supply === null ? null : $schedule->there($supply);

            return [$supply === null ? [] : $this->candidates($plan, $schedule, $supply), Outcome::of($plan), $end];
        });
        foreach ($candidates as $remedy) {
            try {
                [$tried, $then] = $this->shop->with(
                    $remedy->changes, fn (Plan $plan, Schedule $schedule) => $this->judge($plan, $schedule, $before, $remedy, $identity),
                );
            } catch (DoesNotFit) {
                yield null;

                continue;
            }
            $gained = -$tried->effect->change('lateDays');
            yield $gained > 0 || ($then !== null && $then < $end && ($tried->solves || $gained === 0)) ? $tried : null;
        }
    }

    /** @return array{TriedRemedy, int|null} with the minute at which it is there then; null where it is not */
    private function judge(Plan $plan, Schedule $schedule, Outcome $before, Remedy $remedy, string $identity): array
    {
        foreach ($remedy->changes as $change) {
            // a proposal has become an order
            $isIt = $change instanceof PutOrder && SupplyIdentity::find($plan, $identity) === null;
            $isIt && $identity = SupplyIdentity::ofOrder($change->orderCode());
        }
        $supply = SupplyIdentity::find($plan, $identity);
        $wanted = $supply === null ? null : FirstNeed::of(new PegIndex($plan), $supply);
        $effect = Effect::between($before, Outcome::of($plan));
        $solves = $supply !== null && ($wanted === null || $supply->available <= $wanted[0]);

        return [
            new TriedRemedy($remedy, $effect, $solves, $supply?->available, 0), $supply === null ? null : $schedule->there($supply),
        ];
    }

    /** @return list<Remedy> */
    private function candidates(Plan $plan, Schedule $schedule, Supply $supply): array
    {
        $in = new ShopSituation($plan, $schedule, $this->origins);
        $found = $full = $seen = [];
        for ($held = [$supply]; ($one = array_shift($held)) !== null;) {
            if (isset($seen[spl_object_id($one)]) || $in->operations($one) === []) {
                continue;
            }
            $seen[spl_object_id($one)] = true;
            array_push($found, ...LetGo::find($in, $one));
            foreach (array_reverse($in->operations($one)) as [$task, $place]) {
                $reason = $this->holding($in->standpoint->reasons($one, $task->op));
                if ($reason?->kind === PlaceReasonKind::Taken && $reason->minute > $place->ready) {
                    array_push($found, ...DoBefore::find($in, $one, $task->op));
                    $full[$place->workCentre] ??= $one->isProposal() ? [] : $in->freed($one, $one->name, $task->op);
                } elseif ($reason?->kind === PlaceReasonKind::Material && $reason->by !== null) {
                    $held[] = $reason->by;
                }
            }
        }
        array_unshift($found, ...SplitWork::find($in, $supply));
        foreach ($full as $centre => $freed) {
            array_push($found, ...OpenLonger::find($plan, (string) $centre, $freed));
        }

        return array_slice($found, 0, self::MOST);
    }

    /**
     * What holds an operation, whether or not its centre then has to open first, or somebody keeps it there.
     *
     * @param  list<PlaceReason>  $reasons  the latest first
     */
    private function holding(array $reasons): ?PlaceReason
    {
        foreach ($reasons as $reason) {
            if (! in_array($reason->kind, [PlaceReasonKind::Opens, PlaceReasonKind::ByHand, PlaceReasonKind::Kept], true)) {
                return $reason;
            }
        }

        return null;
    }
}
