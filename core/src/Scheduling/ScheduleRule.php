<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

/** Who goes first. */
enum ScheduleRule: string
{
    /** By due date, priority, reference. */
    case Due = 'due';

    /** By priority, due date, reference. */
    case Priority = 'priority';

    /** As they were listed. */
    case Listed = 'list';

    /** The least setup among those that are due within some days of the earliest. */
    case Setup = 'setup';
}
