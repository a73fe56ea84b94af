<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\FoundRemedy;
use App\Reading\Shapes\RemedyRow;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Remedy\Remedies;
use Yposta\Core\Remedy\ShopWays;
use Yposta\Core\Remedy\TriedRemedy;
use Yposta\Core\Scheduling\FullPeriod;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Trial\Trial;

/** What could be done about a shortage, in words. */
final readonly class RemedyView
{
    /** How many that get worse are named. */
    private const MOST_HURT = 6;

    /** Seconds for which ways out of the shop are looked for. */
    private const PATIENCE = 12;

    private TrialPresenter $presenter;

    /** @param  Network|null  $undrafted  the live data, where the trial stands with a draft */
    public function __construct(
        private Trial $trial,
        private int $planDate,
        private ProposalOrigins $origins,
        private ?Network $undrafted = null,
    ) {
        $this->presenter = new TrialPresenter($trial->network(), $planDate);
    }

    /**
     * The remedies of a need as they are found.
     *
     * @param  int|null  $near  the point at which the need is looked for first
     * @return iterable<FoundRemedy>
     */
    public function of(string $identity, ?int $near = null): iterable
    {
        foreach ((new Remedies($this->trial, $this->origins, $this->undrafted))->for($identity, $near) as $tried) {
            yield $this->found($tried, $this->room($tried, $identity));
        }
    }

    /**
     * What makes an order or proposal of the board be there sooner, as it is found. Each is a schedule of the whole shop; in a very large
     * one not all are waited for.
     *
     * @return iterable<FoundRemedy>
     *
     * @throws Refused when it takes too long; what was found stands
     */
    public function inShop(string $of): iterable
    {
        $until = microtime(true) + self::PATIENCE;
        foreach ((new ShopWays($this->trial, $this->origins))->for($of) as $tried) {
            if ($tried !== null) {
                yield $this->found($tried);
            }
            microtime(true) < $until || throw Refused::because('board.long', ['seconds' => self::PATIENCE], 'long');
        }
    }

    private function found(TriedRemedy $tried, ?string $room = null): FoundRemedy
    {
        return new FoundRemedy($this->row($tried, $room), array_map(intval(...), $tried->cost()));
    }

    /** What the shop says to a remedy of a need: whether those that need it, and what it makes, find room; null where they do. */
    private function room(TriedRemedy $tried, string $identity): ?string
    {
        $orders = Reference::tryParse($identity)?->orders() ?? [];
        foreach ($tried->remedy->changes as $change) {
            $change instanceof PutOrder && $orders[] = $change->orderCode();
        }
        $network = $this->trial->network();
        $isMade = fn (string $code) => NewOrderCode::is($code) || ($network->orders[$code]->kind ?? null) === OrderKind::Make;
        $made = array_filter($orders, $isMade);
        if (! $tried->solves || $made === [] || $network->workCentres === []) {
            return null;
        }

        return $this->trial->with($tried->remedy->changes, function (Plan $plan) use ($made): ?string {
            // where the plan goes by the shop, its dates have it in them
            $full = $plan->options->schedule ? null : FullPeriod::of($plan, array_values($made))[0] ?? null;

            return $full === null ? null : (string) trans(':centre has no room for it: :percent % full in the week of :day. It helps the material only.', [
                'centre' => $full->centre, 'percent' => $full->percent, 'day' => $this->presenter->day($full->from),
            ]);
        });
    }

    public function row(TriedRemedy $tried, ?string $room = null): RemedyRow
    {
        $remedy = $tried->remedy;
        $hurt = [];
        foreach ([...$tried->effect->lines, ...$tried->effect->orders] as $change) {
            $arrival = $change->arrival();
            $isItself = $arrival->reference === (string) Reference::order((string) $remedy->moves());
            if ($change->hurts() && ! $arrival->isOfNewOrder() && ! $isItself) {
                $hurt[] = $this->presenter->changeInWords($change);
            }
        }

        return new RemedyRow(
            kind: $remedy->kind(), title: Words::say($remedy->title(), $this->planDate), note: Words::say($remedy->note(), $this->planDate),
            solves: $tried->solves,
            expected: $this->presenter->dates->isoOrNull($tried->expected), figures: $this->presenter->figures($tried->effect),
            hurt: array_slice($hurt, 0, self::MOST_HURT),
            moreLate: max(0, $tried->effect->change('lateLines')),
            changes: json_encode(array_map(fn (Change $change) => ChangeCodec::encode($change), $remedy->changes), JSON_THROW_ON_ERROR),
            letter: $remedy->letter() === null ? '' : Words::say($remedy->letter(), $this->planDate),
            room: $room,
        );
    }
}
