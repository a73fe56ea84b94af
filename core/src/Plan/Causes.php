<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Structure;

/**
 * Whom each supply is for in the end: sales, forecast, or the stock rule (safety stock, rounding, what nobody needs).
 *
 * Followed up the pegs; a component is for whatever its order is for, in the same shares.
 */
final class Causes
{
    /** A whole, in millionths. */
    public const WHOLE = 1_000_000;

    /** @var array<int, array{int, int}> shares of sales and forecast by supply's object id */
    private array $shares = [];

    /** @var array<int, list<Peg>> by point */
    private array $pegs = [];

    /** @param  list<Peg>  $pegs */
    public function __construct(Structure $structure, array $pegs)
    {
        foreach ($pegs as $peg) {
            $this->pegs[$peg->supply->point][] = $peg;
        }
        foreach ($structure->netting as $index) {
            $this->follow($this->pegs[$index] ?? []);
        }
    }

    /** @return array{int, int} millionths of the supply that are for sales and for forecast; the rest is for the stock rule */
    public function of(Supply $supply): array
    {
        return $this->shares[spl_object_id($supply)] ?? [0, 0];
    }

    /** @param  list<Peg>  $pegs  of one point; those of the points above have been followed */
    private function follow(array $pegs): void
    {
        foreach ($pegs as $peg) {
            [$sales, $forecast] = match ($peg->demand->kind) {
                DemandKind::Sales => [self::WHOLE, 0],
                DemandKind::Forecast => [0, self::WHOLE],
                DemandKind::Safety => [0, 0],
                default => $peg->demand->for === null ? [0, 0] : $this->of($peg->demand->for),
            };
            $key = spl_object_id($peg->supply);
            $part = self::share($peg->qty, $peg->supply->qty);
            $shares = $this->shares[$key] ?? [0, 0];
            $this->shares[$key] = [$shares[0] + intdiv($sales * $part, self::WHOLE), $shares[1] + intdiv($forecast * $part, self::WHOLE)];
        }
    }

    /** The part of a whole, in millionths; large numbers lose digits that a share of a millionth does not need. */
    private static function share(int $part, int $whole): int
    {
        while ($part > 9_000_000_000_000) {
            $part = intdiv($part, 10);
            $whole = intdiv($whole, 10);
        }

        return $whole === 0 ? self::WHOLE : min(self::WHOLE, intdiv($part * self::WHOLE, $whole));
    }
}
