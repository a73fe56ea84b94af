<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\AvailabilityAnswer;
use App\Reading\Shapes\AvailabilityRow;
use App\Reading\Shapes\GrossRow;
use App\Reading\Shapes\PossibleQuantity;
use App\Support\Refused;
use Yposta\Core\Availability\Answer;
use Yposta\Core\Availability\Availability;
use Yposta\Core\Availability\GrossNeeds;
use Yposta\Core\Availability\Node;
use Yposta\Core\Availability\Question;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\DoesNotFit;
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
            fn (Answer $answer, Effect $effect) => $this->shape($answer, $effect, $stands, $wanted, $due, $changes),
        );
    }

    /**
     * The first day on which it is complete, as an ISO date.
     *
     * @throws DoesNotFit
     */
    public function earliest(?string $qty): ?string
    {
        $stands = $this->question->stands($this->trial->network());

        return $this->presenter->dates->isoOrNull($this->availability->earliest($this->quantity($qty, $stands), $this->planDate));
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
    private function shape(Answer $answer, Effect $effect, array $stands, int $qty, int $due, array $changes): AvailabilityAnswer
    {
        $item = $this->trial->network()->items[$stands['item']];
        $rows = [];
        $below = [];
        foreach ($answer->nodes as $node) {
            $below[$node->parent] = true;
        }
        foreach ($answer->nodes as $place => $node) {
            $rows[] = $this->row($place, $node, isset($below[$place]));
        }
        $slips = [];
        foreach ([...$effect->lines, ...$effect->orders] as $change) {
            $change->hurts()
                && $change->arrival()->reference !== (string) $this->reference
                && ! $change->arrival()->isOfNewOrder()
                && $slips[] = $this->presenter->arrivalChange($change);
        }
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
            more: $answer->more,
            slips: $slips,
            figures: $this->presenter->figures($effect),
            changes: json_encode(array_map(fn (Change $change) => ChangeCodec::encode($change), $changes), JSON_THROW_ON_ERROR),
        );
    }

    /** What takes it, where that is not what was asked for itself. */
    private function via(Node $node): string
    {
        $for = $node->depth === 0 ? null : $node->demand->for;

        return match (true) {
            $for === null => '',
            $for->isProposal() => (string) trans('for :qty proposed', ['qty' => Quantity::format($for->qty)]),
            default => (string) trans('for :order', ['order' => TrialPresenter::code($for->name)]),
        };
    }

    private function row(int $place, Node $node, bool $hasMore): AvailabilityRow
    {
        $item = $node->point->item;

        return new AvailabilityRow(
            id: $place,
            parent: $node->parent,
            depth: $node->depth,
            item: $item->code,
            name: $item->name,
            site: $node->point->site->code,
            unit: $item->unit,
            way: $node->point->supply()->value,
            via: $this->via($node),
            required: Quantity::format($node->demand->qty),
            onHand: Quantity::format($node->onHand),
            incoming: Quantity::format($node->cover->order),
            short: Quantity::format($node->short()),
            strip: $this->presenter->strip($node->cover, $item->unit),
            date: $this->presenter->dates->iso((int) $node->demand->date),
            expected: $this->presenter->dates->isoOrNull($node->demand->expected),
            lateDays: $node->demand->lateDays(),
            lead: $node->point->lead,
            decides: $node->decides,
            again: $node->again,
            hasMore: $hasMore,
        );
    }
}
