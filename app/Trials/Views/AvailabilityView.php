<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\AskedCover;
use App\Reading\Shapes\AskedNeed;
use App\Reading\Shapes\AvailabilityAnswer;
use App\Reading\Shapes\EarliestDay;
use App\Reading\Shapes\GrossRow;
use App\Reading\Shapes\PossibleQuantity;
use App\Reading\Thread;
use App\Support\Refused;
use Yposta\Core\Availability\Answer;
use Yposta\Core\Availability\Availability;
use Yposta\Core\Availability\GrossNeeds;
use Yposta\Core\Availability\Question;
use Yposta\Core\Calendar\Calendar;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\DemandIdentity;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Trial\ArrivalChange;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Trial;

/** Answers by structure: when something is complete and what decides it. */
final readonly class AvailabilityView
{
    /** No more than so many steps of an item are looked for. */
    private const MOST_STEPS = 1_000_000;

    private TrialPresenter $presenter;

    private Question $question;

    private Reference $reference;

    private Availability $availability;

    /** @param  string  $subject  reference of an order or a sales line, or `stock:ITEM@SITE` for an item */
    public function __construct(private Trial $trial, string $subject, private int $planDate)
    {
        $this->presenter = new TrialPresenter($trial->network(), $planDate);
        $this->reference = Reference::tryParse($subject) ?? throw Refused::because('availability.subject', [], 'subject');
        $this->question = Question::of($this->reference, $trial->network()) ?? throw Refused::because('availability.subject', [], 'subject');
        $this->availability = new Availability($trial, $this->question);
    }

    /**
     * @param  string|null  $qty  a decimal; null for what stands, or one of an item
     * @param  int|null  $due  day number; null for what stands, or as soon as an item can be there
     *
     * @throws DoesNotFit
     */
    public function answer(?string $qty, ?int $due): AvailabilityAnswer
    {
        $stands = $this->question->stands($this->trial->network());
        $wanted = $this->quantity($qty, $stands);
        $due ??= $stands['due'] ?? $this->availability->earliest($wanted, $this->planDate) ?? $this->planDate;
        $changes = $this->question->changes($this->trial->network(), $wanted, $due);

        return $this->availability->on(
            $wanted,
            $due,
            fn (Answer $answer, Effect $effect, Plan $plan) => $this->shape($plan, $answer, $effect, $stands, $wanted, $due, $changes),
        );
    }

    /**
     * The first day on which it is complete, and the first on which that hurts nobody else.
     *
     * @throws DoesNotFit
     */
    public function earliest(?string $qty): EarliestDay
    {
        $wanted = $this->quantity($qty, $this->question->stands($this->trial->network()));
        $day = $this->availability->earliest($wanted, $this->planDate);
        if ($day === null) {
            return new EarliestDay(null, [], null);
        }
        $hurts = $this->availability->on($wanted, $day, fn (Answer $answer, Effect $effect) => array_map(
            $this->presenter->changeInWords(...),
            $this->hurt($effect),
        ));
        $harmless = $hurts === []
            ? $day
            : $this->availability->harmless($wanted, $day, fn (Effect $effect) => $this->hurt($effect) !== []);

        return new EarliestDay($this->presenter->dates->iso($day), $hurts, $this->presenter->dates->isoOrNull($harmless));
    }

    /** @return list<ArrivalChange> what others pay for it */
    private function hurt(Effect $effect): array
    {
        return array_values(array_filter(
            [...$effect->lines, ...$effect->orders],
            fn (ArrivalChange $change) => $change->hurts()
                && $change->arrival()->reference !== (string) $this->reference
                && ! $change->arrival()->isOfNewOrder(),
        ));
    }

    /**
     * How much could be complete on a day: by ordering what is missing, and from what there is.
     *
     * @throws DoesNotFit
     */
    public function possible(int $due): PossibleQuantity
    {
        $step = $this->trial->network()->items[$this->question->stands($this->trial->network())['item']]->step();

        return new PossibleQuantity(
            any: Quantity::format($this->availability->possible($due, false, $step, self::MOST_STEPS * $step)),
            stock: Quantity::format($this->availability->possible($due, true, $step, self::MOST_STEPS * $step)),
        );
    }

    /**
     * @return list<GrossRow> what is bought for it, over all levels
     *
     * @throws DoesNotFit
     */
    public function gross(?string $qty, ?int $due): array
    {
        $stands = $this->question->stands($this->trial->network());
        $wanted = $this->quantity($qty, $stands);

        return $this->trial->with([], function (Plan $plan) use ($stands, $wanted, $due): array {
            $index = $plan->structure->indexes[Network::key($stands['item'], $stands['site'])] ?? throw DoesNotFit::because(
                'not_planned',
                ['item' => $stands['item'], 'site' => $stands['site']],
            );
            try {
                $rows = GrossNeeds::of($plan, $index, $wanted, $due ?? $stands['due'] ?? $this->planDate);
            } catch (QuantityOutOfRange $trouble) {
                throw new DoesNotFit($trouble->phrase(), $trouble);
            }

            return array_map(function (array $row) use ($plan): GrossRow {
                $point = $plan->structure->points[$row['point']];

                return new GrossRow(
                    item: $point->item->code,
                    name: $point->item->name,
                    site: $point->site->code,
                    unit: $point->item->unit,
                    qty: Quantity::format($row['qty']),
                    stock: Quantity::format($row['stock']),
                    incoming: Quantity::format($row['incoming']),
                    missing: Quantity::format($row['missing']),
                );
            }, $rows);
        });
    }

    /** @param  array{qty: int|null, due: int|null, item: string, site: string}  $stands */
    private function quantity(?string $text, array $stands): int
    {
        $item = $this->trial->network()->items[$stands['item']];
        $qty = $text === null || $text === '' ? $stands['qty'] ?? Quantity::ONE : Quantity::parse($text);
        if ($qty <= 0 || ! Quantity::fits($qty, $item->decimals)) {
            throw $qty <= 0
                ? DoesNotFit::because('asked_for_nothing')
                : DoesNotFit::because('decimals', ['item' => $item->code, 'decimals' => $item->decimals]);
        }

        return $qty;
    }

    /**
     * @param  array{qty: int|null, due: int|null, item: string, site: string}  $stands
     * @param  list<Change>  $changes
     */
    private function shape(
        Plan $plan,
        Answer $answer,
        Effect $effect,
        array $stands,
        int $qty,
        int $due,
        array $changes,
    ): AvailabilityAnswer {
        $item = $this->trial->network()->items[$stands['item']];
        $ground = new AskedGround($plan, $this->presenter, $answer);
        $thread = new Thread($ground);
        $rows = $thread->down($answer->root, $due);
        $slips = array_map($this->presenter->arrivalChange(...), $this->hurt($effect));
        $draft = max($due, $answer->complete ?? $due); // a day on which it is there
        $decided = $answer->decidedBy === null ? '' : (string) (new DecidedBy($this->presenter, $this->planDate))->say($answer);

        return new AvailabilityAnswer(
            label: $this->reference->name,
            item: $item->code,
            name: $item->name,
            site: $stands['site'],
            unit: $item->unit,
            qty: Quantity::format($qty),
            wanted: $this->presenter->dates->iso($due),
            complete: $this->presenter->dates->isoOrNull($answer->complete),
            inTime: $answer->isInTime(),
            fromStock: $answer->isFromWhatThereIs(),
            decidedBy: $decided,
            rows: $rows,
            needs: $this->needs($thread, $ground, $answer, $changes === []),
            full: $thread->isFull(),
            closed: $thread->closedDays($this->calendar($stands['site'])),
            slips: $slips,
            figures: $this->presenter->figures($effect),
            decimals: $item->decimals,
            draftDay: $this->presenter->dates->iso($draft),
            changes: json_encode(array_map(
                fn (Change $change) => ChangeCodec::encode($change),
                $draft === $due ? $changes : $this->question->changes($this->trial->network(), $qty, $draft),
            ), JSON_THROW_ON_ERROR),
            withShop: $plan->options->schedule,
        );
    }

    private function calendar(string $site): Calendar
    {
        $network = $this->trial->network();

        return $network->calendars[(string) $network->sites[$site]->calendar] ?? Calendar::everyDay();
    }

    /**
     * The needs that the rows speak of.
     *
     * @param  bool  $stands  whether it is asked as it stands, so that each need is one of the live plan too
     * @return list<AskedNeed>
     */
    private function needs(Thread $thread, AskedGround $ground, Answer $answer, bool $stands): array
    {
        $nodes = [];
        foreach ($answer->nodes as $node) {
            $nodes[spl_object_id($node->demand)] = $node;
        }
        $needs = [];
        foreach ($thread->demands() as $demand) {
            $node = $nodes[spl_object_id($demand)] ?? null;
            $place = $ground->place($demand);
            $needs[] = new AskedNeed(
                item: $place->item,
                name: $place->name,
                site: $place->site,
                unit: $place->unit,
                for: $ground->demand($demand)->label,
                qty: Quantity::format($demand->qty),
                date: $this->presenter->dates->iso((int) $demand->date),
                identity: $stands && $node !== null ? DemandIdentity::of($demand, $ground->plan->structure) : null,
                cover: array_map(fn (Peg $peg) => $this->cover($ground, $peg), $ground->served($demand)),
                short: Quantity::format($node?->short() ?? $demand->uncovered),
                decides: $ground->decides($demand),
            );
        }

        return $needs;
    }

    /** "on hand, free for it", "P-3308, Tue 10 Mar". */
    private function cover(AskedGround $ground, Peg $peg): AskedCover
    {
        $supply = $peg->supply;
        $what = $ground->supply($supply);
        $label = $supply->kind === SupplyKind::Stock
            ? (string) trans('on hand, free for it')
            : "{$what->label}, {$this->presenter->day($supply->available)}";

        return new AskedCover($label, Quantity::format($peg->qty), $supply->available > (int) $peg->demand->date, $what->href);
    }
}
