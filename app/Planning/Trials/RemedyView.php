<?php

declare(strict_types=1);

namespace App\Planning\Trials;

use App\Planning\Shapes\RemedyRow;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Remedy\Remedies;
use Yposta\Core\Remedy\Remedy;
use Yposta\Core\Remedy\RemedyKind;
use Yposta\Core\Remedy\TriedRemedy;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Trial\Trial;

/** What could be done about a shortage, in words. */
final readonly class RemedyView
{
    private Present $present;

    public function __construct(private Trial $trial, private int $planDate)
    {
        $this->present = new Present($trial->network(), $planDate);
    }

    /**
     * The remedies of a need as they are found.
     *
     * @return iterable<array{row: RemedyRow, cost: list<int>}> the cost sorts them: the less, the better
     */
    public function of(string $identity, string $item): iterable
    {
        foreach ((new Remedies($this->trial))->for($identity) as $tried) {
            yield ['row' => $this->row($tried, $item), 'cost' => array_map(intval(...), $tried->cost())];
        }
    }

    private function row(TriedRemedy $tried, string $item): RemedyRow
    {
        $remedy = $tried->remedy;
        $words = $this->words($remedy, $item);
        $hurt = [];
        foreach ($tried->effect->lines as $slip) {
            $slip->hurts() && $hurt[] = $this->present->slipInWords($slip);
        }
        foreach ($tried->effect->orders as $slip) {
            if ($slip->hurts() && ! $this->isItsOwn($remedy, $slip->arrival()->reference)) {
                $hurt[] = $this->present->slipInWords($slip);
            }
        }

        return new RemedyRow(
            $remedy->kind->value, (string) trans("remedies.{$remedy->kind->value}.title", $words), (string) trans("remedies.{$remedy->kind->value}.note", $words), $tried->solves,
            $this->present->dates->isoOrNull($tried->expected), $this->present->figures($tried->effect), array_slice($hurt, 0, 6),
            json_encode(array_map(fn (Change $change) => ChangeCodec::encode($change), $remedy->changes), JSON_THROW_ON_ERROR), $this->letter($remedy, $item, $words),
        );
    }

    /** An order that the remedy moves itself is not hurt by it. */
    private function isItsOwn(Remedy $remedy, string $reference): bool
    {
        return in_array($remedy->kind, [RemedyKind::MoveOrder, RemedyKind::Split], true) && $reference === 'order:'.($remedy->facts['order'] ?? '');
    }

    /** @return array<string, string> */
    private function words(Remedy $remedy, string $item): array
    {
        $words = ['item' => $item];
        foreach ($remedy->facts as $name => $value) {
            $words[$name] = match (true) {
                $name === 'due' => $this->present->day((int) $value),
                $name === 'qty' => $this->present->quantity((int) $value, $this->subject($remedy, $item)),
                $name === 'free' => Quantity::format((int) $value),
                $name === 'supplier' && $value !== '' => $this->present->supplierName((string) $value),
                $name === 'supply' => str_starts_with((string) $value, 'stock:') ? (string) trans('stock') : substr((string) $value, strpos((string) $value, ':') + 1),
                $name === 'days' => (string) trans_choice('{1} 1 day|[0,*] :count days', (int) $value, ['count' => (int) $value]),
                $name === 'order' => Present::code((string) $value),
                default => (string) $value,
            };
        }
        if (($words['from'] ?? null) === '') {
            $words['from'] = (string) trans('less urgent proposals');
        }
        if (($words['supplier'] ?? null) === '') {
            $words['supplier'] = (string) trans('the other side');
        }

        return $words;
    }

    /** The item that the quantity of a remedy is of. */
    private function subject(Remedy $remedy, string $item): string
    {
        $order = $this->trial->network()->orders[(string) ($remedy->facts['order'] ?? '')] ?? null;

        return $remedy->kind === RemedyKind::Split && $order !== null ? $order->item : $item;
    }

    /**
     * What to write to a supplier who has to agree.
     *
     * @param  array<string, string>  $words
     */
    private function letter(Remedy $remedy, string $item, array $words): string
    {
        $key = match ($remedy->kind) {
            RemedyKind::PullIn => ($remedy->facts['supplier'] ?? '') === '' ? null : 'remedies.letter.pull_in',
            RemedyKind::Hurry => 'remedies.letter.hurry',
            default => null,
        };

        return $key === null ? '' : (string) trans($key, $words);
    }
}
