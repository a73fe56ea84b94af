<?php

declare(strict_types=1);

namespace App\Planning\Trials;

use App\Planning\Shapes\AvailabilityAnswer;
use App\Planning\Shapes\AvailabilityRow;
use App\Planning\Shapes\GrossRow;
use Yposta\Core\Availability\Answer;
use Yposta\Core\Availability\Availability;
use Yposta\Core\Availability\GrossNeeds;
use Yposta\Core\Availability\Node;
use Yposta\Core\Availability\Question;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;
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

    private Present $present;

    private Question $question;

    private Availability $availability;

    /** @param  string  $subject  `order:CODE`, `sales:ORDER/LINE` or `item:ITEM@SITE` */
    public function __construct(private Trial $trial, private string $subject, private int $planDate)
    {
        $this->present = new Present($trial->network(), $planDate);
        [$kind, $name] = [...explode(':', $subject, 2), ''];
        $cut = (int) strrpos($name, $kind === 'item' ? '@' : '/');
        $this->question = match ($kind) {
            'order' => Question::order($name),
            'sales' => Question::salesLine(substr($name, 0, $cut), substr($name, $cut + 1)),
            'item' => Question::item(substr($name, 0, $cut), substr($name, $cut + 1)),
            default => throw new CannotTry('Ask for an order, a sales line or an item.', 'subject'),
        };
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

        return $this->availability->on($wanted, $due, fn (Answer $answer, Effect $effect) => $this->shape($answer, $effect, $stands, $wanted, $due, $changes));
    }

    /**
     * The first day on which it is complete, as an ISO date.
     *
     * @throws DoesNotFit
     */
    public function earliest(?string $qty): ?string
    {
        $stands = $this->question->stands($this->trial->network());

        return $this->present->dates->isoOrNull($this->availability->earliest($this->quantity($qty, $stands), $this->planDate));
    }

    /**
     * How much could be complete on a day: by ordering what is missing, and from what there is.
     *
     * @return array{any: string, stock: string}
     *
     * @throws DoesNotFit
     */
    public function possible(int $due): array
    {
        $step = $this->trial->network()->items[$this->question->stands($this->trial->network())['item']]->step();

        return [
            'any' => Quantity::format($this->availability->possible($due, false, $step, self::MOST_STEPS * $step)),
            'stock' => Quantity::format($this->availability->possible($due, true, $step, self::MOST_STEPS * $step)),
        ];
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
            $index = $plan->structure->indexes[Network::key($stands['item'], $stands['site'])] ?? throw new DoesNotFit("{$stands['item']} is not planned at {$stands['site']}");
            try {
                $rows = GrossNeeds::of($plan, $index, $wanted, $due ?? $stands['due'] ?? $this->planDate);
            } catch (QuantityOutOfRange $trouble) {
                throw new DoesNotFit($trouble->getMessage());
            }

            return array_map(function (array $row) use ($plan): GrossRow {
                $point = $plan->structure->points[$row['point']];

                return new GrossRow($point->item->code, $point->item->name, $point->site->code, $point->item->unit, Quantity::format($row['qty']), Quantity::format($row['stock']), Quantity::format($row['incoming']), Quantity::format($row['missing']));
            }, $rows);
        });
    }

    /** @param  array{qty: int|null, due: int|null, item: string, site: string}  $stands */
    private function quantity(?string $text, array $stands): int
    {
        $item = $this->trial->network()->items[$stands['item']];
        $qty = $text === null || $text === '' ? $stands['qty'] ?? Quantity::ONE : Quantity::parse($text);
        if ($qty <= 0 || ! Quantity::fits($qty, $item->decimals)) {
            throw new DoesNotFit($qty <= 0 ? 'a quantity above 0 is asked for' : "{$item->code} has {$item->decimals} decimals");
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
        foreach ([...$effect->lines, ...$effect->orders] as $slip) {
            $slip->hurts() && $slip->arrival()->reference !== $this->subject && ! str_starts_with($slip->arrival()->reference, 'order:new:') && $slips[] = $this->present->slip($slip);
        }
        $decided = $answer->decidedBy === null ? '' : (string) (new DecidedBy($this->present, $this->planDate))->say($answer);

        return new AvailabilityAnswer(
            substr($this->subject, strpos($this->subject, ':') + 1), $item->code, $item->name, $stands['site'], $item->unit, Quantity::format($qty), $this->present->dates->iso($due),
            $this->present->dates->isoOrNull($answer->complete), $answer->isInTime(), $answer->isFromWhatThereIs(), $decided, $rows, $answer->more, $slips, $this->present->figures($effect),
            json_encode(array_map(fn (Change $change) => ChangeCodec::encode($change), $changes), JSON_THROW_ON_ERROR),
        );
    }

    /** What takes it, where that is not what was asked for itself. */
    private function via(Node $node): string
    {
        $for = $node->depth === 0 ? null : $node->demand->for;

        return match (true) {
            $for === null => '',
            $for->isProposal() => (string) trans('for :qty proposed', ['qty' => Quantity::format($for->qty)]),
            default => (string) trans('for :order', ['order' => Present::code($for->name)]),
        };
    }

    private function row(int $place, Node $node, bool $hasMore): AvailabilityRow
    {
        $item = $node->point->item;

        return new AvailabilityRow(
            $place, $node->parent, $node->depth, $item->code, $item->name, $node->point->site->code, $item->unit, $node->point->supply()->value, $this->via($node), Quantity::format($node->demand->qty), Quantity::format($node->onHand),
            Quantity::format($node->cover->order), Quantity::format($node->short()), $this->present->strip($node->cover, $item->unit), $this->present->dates->iso((int) $node->demand->date),
            $this->present->dates->isoOrNull($node->demand->expected), $node->demand->lateDays(), $node->point->lead, $node->decides, $node->again, $hasMore,
        );
    }
}
