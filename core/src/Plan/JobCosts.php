<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Brick\Math\BigInteger;
use Yposta\Core\Network\JobLine;

/**
 * What a job was to cost, is bound to, and has cost, as products of millionths (quantity times price of one): estimated by its lines'
 * own estimates, else by what their items cost; committed by what open orders bring for them at the price of those; actual by what was
 * issued at what the items cost.
 */
final readonly class JobCosts
{
    private function __construct(public BigInteger $estimated, public BigInteger $committed, public BigInteger $actual)
    {
    }

    public static function none(): self
    {
        return new self(BigInteger::zero(), BigInteger::zero(), BigInteger::zero());
    }

    /**
     * @param  int  $unitCost  of the item, millionths; 0 for a placeholder
     * @param  list<array{int, int|null}>  $ordered  what each open order brings for the line, and its price of one; null for what the item costs
     */
    public static function ofLine(JobLine $line, int $unitCost, array $ordered): self
    {
        $committed = BigInteger::zero();
        foreach ($ordered as [$qty, $price]) {
            $committed = $committed->plus(BigInteger::of($qty)->multipliedBy($price ?? $unitCost));
        }

        return new self(
            BigInteger::of($line->qty)->multipliedBy($line->estCost ?? $unitCost), $committed,
            BigInteger::of($line->issued)->multipliedBy($unitCost),
        );
    }

    public function plus(self $other): self
    {
        return new self(
            $this->estimated->plus($other->estimated), $this->committed->plus($other->committed), $this->actual->plus($other->actual),
        );
    }
}
