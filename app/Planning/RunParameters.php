<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Run;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Options\Options;
use Yposta\Core\Study\InvalidChange;
use Yposta\Core\Study\RowCodec;

/** The parameters of a run as they are kept: the options of the core, dates as ISO dates, enums as their values. */
final class RunParameters
{
    /** Days at the most that anything in them may span. */
    public const MOST_DAYS = Options::LONGEST_HORIZON;

    /** @return array<string, mixed> */
    public static function of(Options $options): array
    {
        return RowCodec::encode($options);
    }

    /**
     * Those of a run as if it were made on a day.
     *
     * @param  array<string, mixed>  $more  that differ
     *
     * @throws InvalidOptions when they contradict each other
     */
    public static function asOf(Run $run, string $planDate, array $more = []): Options
    {
        $end = substr($run->horizon_end, 0, 10);

        return self::options([
            ...$run->parameters, 'horizonEnd' => max($end, $planDate), ...$more, 'planDate' => $planDate, // when it is over
        ]);
    }

    /**
     * @param  array<string, mixed>  $parameters
     *
     * @throws InvalidOptions when they contradict each other, or one is no option
     */
    public static function options(array $parameters): Options
    {
        try {
            return Options::of(...RowCodec::values(Declaration::of(Options::class), $parameters));
        } catch (InvalidChange $trouble) {
            throw new InvalidOptions($trouble->phrase(), $trouble);
        }
    }
}
