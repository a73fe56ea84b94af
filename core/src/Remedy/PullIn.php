<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Support\Phrase;

/** An order that is under way comes earlier; the other side has to agree. */
final readonly class PullIn extends Remedy
{
    /**
     * @param  int  $due  day number
     * @param  Phrase  $supplier  who has to agree
     * @param  bool  $isPurchase  whether that is somebody outside
     */
    private function __construct(
        MoveOrder $change,
        public string $order,
        public int $due,
        public int $days,
        public Phrase $supplier,
        public bool $isPurchase,
    ) {
        parent::__construct([$change]);
    }

    /** @return list<self> also what lies below an order that waits */
    public static function find(Situation $in): array
    {
        $found = [];
        foreach ($in->late() as [$supply, $wanted]) {
            if ($supply->kind === SupplyKind::Order && $supply->due > $wanted) {
                $found["{$supply->name}\x1f{$wanted}"] ??= self::of($in, $supply, $wanted);
            }
        }

        return array_values($found);
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::PullIn;
    }

    public function note(): Phrase
    {
        return $this->isPurchase ? parent::note() : new Phrase('remedy.pull_in.own', $this->values());
    }

    public function letter(): ?Phrase
    {
        return $this->isPurchase ? new Phrase('remedy.pull_in.letter', $this->values()) : null;
    }

    protected function values(): array
    {
        return [
            'order' => Situation::orderName($this->order), 'due' => new Date($this->due), 'days' => Situation::days($this->days),
            'supplier' => $this->supplier,
        ];
    }

    private static function of(Situation $in, Supply $supply, int $wanted): self
    {
        return new self(
            new MoveOrder($supply->name, $wanted, $supply->start > $wanted ? $wanted : null), $supply->name, $wanted,
            $supply->due - $wanted, $in->supplierName($supply->supplier), $supply->supplier !== null,
        );
    }
}
