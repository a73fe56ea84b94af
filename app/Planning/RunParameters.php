<?php

declare(strict_types=1);

namespace App\Planning;

use InvalidArgumentException;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Options;

/** The parameters of a run as they are kept: the options of the core, dates as ISO dates, enums as their values. */
final class RunParameters
{
    /** @return array<string, mixed> */
    public static function of(Options $options): array
    {
        return [
            ...get_object_vars($options),
            'planDate' => Day::format($options->planDate),
            'horizonEnd' => Day::format($options->horizonEnd),
            'bucket' => $options->bucket->value,
        ];
    }

    /**
     * @param  array<string, mixed>  $parameters
     *
     * @throws InvalidArgumentException when they contradict each other
     */
    public static function options(array $parameters): Options
    {
        $parameters['planDate'] = Day::parse((string) $parameters['planDate']);
        if (isset($parameters['horizonEnd'])) {
            $parameters['horizonEnd'] = Day::parse((string) $parameters['horizonEnd']);
        }
        if (isset($parameters['bucket'])) {
            $parameters['bucket'] = BucketSize::from((string) $parameters['bucket']);
        }

        return new Options(...$parameters);
    }
}
