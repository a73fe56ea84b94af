<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Planning\RunProposals;
use App\Reading\Shapes\RemedyRow;
use App\Reading\Shapes\ResolvedNeed;
use App\Support\Settings;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Remedy\RemedyKind;
use Yposta\Core\Shortage\Shortages;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Trial\Trial;

/**
 * Proposes a remedy for each shortage of a list, one after the other: each is tried on top of those taken before, so that none is solved
 * twice.
 */
final readonly class ResolveAll
{
    /** What may be drafted without asking someone outside first. */
    private const QUIET = [
        RemedyKind::Substitute, RemedyKind::TakeFrom, RemedyKind::Transfer, RemedyKind::OrderNow, RemedyKind::OtherSupplier,
        RemedyKind::BuyInstead,
    ];

    /**
     * @param  list<array{identity: string, item: string}>  $needs
     * @return list<ResolvedNeed>
     */
    public function __invoke(Trial $trial, array $needs): array
    {
        return $trial->within($trial->network(), fn () => $this->each($trial, $needs));
    }

    /**
     * @param  list<array{identity: string, item: string}>  $needs
     * @return list<ResolvedNeed>
     */
    private function each(Trial $trial, array $needs): array
    {
        $rows = [];
        $last = null;
        $open = $this->open($trial, array_column($needs, 'identity'));
        foreach ($needs as ['identity' => $identity, 'item' => $item]) {
            $near = $open[$identity] ?? null;
            if ($near === null) {
                $rows[] = new ResolvedNeed($identity, $item, null, null, true);

                continue;
            }
            if ($this->open($trial, [$identity], $near) === []) {
                $rows[] = new ResolvedNeed($identity, $item, null, $last, false);

                continue;
            }
            $best = $this->best($trial, $identity, $item, $near);
            $rows[] = new ResolvedNeed($identity, $item, $best, null, false);
            if ($best !== null) {
                $changes = array_map(ChangeCodec::decode(...), (array) json_decode($best->changes, true, 512, JSON_THROW_ON_ERROR));
                $trial->settle((new Changes(array_values($changes)))->apply($trial->network()));
                $last = $best->title;
            }
        }

        return $rows;
    }

    /**
     * Those that are still to be solved, each with its point.
     *
     * @param  list<string>  $identities
     * @return array<string, int> points by identity
     */
    private function open(Trial $trial, array $identities, ?int $near = null): array
    {
        return $trial->with([], function (Plan $plan) use ($identities, $near): array {
            $open = [];
            foreach ((new Shortages($plan))->findAll($identities, $near) as $need) {
                $isLate = $need->demand->lateDays() > 0 || $need->demand->uncovered > 0 || $need->orderBy < $plan->options->planDate;
                $need->short > 0 && $isLate && $open[$need->identity] = $need->point->index;
            }

            return $open;
        });
    }

    /** The remedy that solves it at the least cost to others, those that need nobody's consent first. */
    private function best(Trial $trial, string $identity, string $item, int $near): ?RemedyRow
    {
        $found = [];
        try {
            foreach ((new RemedyView($trial, Day::parse(Settings::planDate()), RunProposals::live()))->of($identity, $near) as $one) {
                $one->row->solves
                    && $found[] = [[$one->cost[1], in_array($one->row->kind, self::QUIET, true) ? 0 : 1, ...$one->cost], $one->row];
            }
        } catch (DoesNotFit) {
            return null;
        }
        usort($found, fn (array $a, array $b) => $a[0] <=> $b[0]);

        return $found[0][1] ?? null;
    }
}
