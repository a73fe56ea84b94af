<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What came of figures that were typed into a forecast. */
final readonly class ForecastWritten
{
    /**
     * @param  int|null  $commit  by which it is taken back; null where all stood there already
     * @param  int  $figures  that were written
     */
    public function __construct(public ?int $commit, public int $figures, public string $text)
    {
    }
}
