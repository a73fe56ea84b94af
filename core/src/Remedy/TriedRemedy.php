<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Trial\Effect;

/** A remedy and what it does, found by planning with it. */
final readonly class TriedRemedy
{
    /**
     * @param  bool  $solves  whether the need is then covered in time
     * @param  int|null  $expected  when the need is then served; null when it is gone or nothing serves it
     * @param  int  $short  what stock and open orders then do not cover in time, millionths
     */
    public function __construct(public Remedy $remedy, public Effect $effect, public bool $solves, public ?int $expected, public int $short)
    {
    }

    /**
     * What makes more lines late stands last, whatever else it does; then what it costs others, what stays late, what it does to stock.
     *
     * @return array{bool, bool, int, int, int, int, int}
     */
    public function cost(): array
    {
        return [
            $this->effect->change('lateLines') > 0, ! $this->solves,
            $this->effect->hurtDays(), $this->effect->change('lateLines'), $this->effect->change('lateDays'),
            $this->solves ? 0 : $this->short, $this->effect->change('stockValue'),
        ];
    }
}
