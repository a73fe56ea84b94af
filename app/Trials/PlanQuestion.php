<?php

declare(strict_types=1);

namespace App\Trials;

/** What may be asked of the kept plan: the methods of {@see PlanQueries} by their names, and nothing else. */
enum PlanQuestion: string
{
    case Tray = 'tray';
    case Fit = 'fit';
    case Look = 'look';
    case Conversion = 'conversion';
    case Shortages = 'shortages';
    case Remedies = 'remedies';
    case Resolve = 'resolve';
    case Availability = 'availability';
    case Earliest = 'earliest';
    case Possible = 'possible';
    case Parts = 'parts';
    case Without = 'without';
    case Balances = 'balances';
    case Reservations = 'reservations';
    case Holdable = 'holdable';
    case Load = 'load';
    case LoadCell = 'loadCell';
    case Reliefs = 'reliefs';
    case Promise = 'promise';
    case Promised = 'promised';
    case Board = 'board';
    case WorkList = 'workList';
    case BoardPick = 'boardPick';
    case BoardPlace = 'boardPlace';
    case BoardWays = 'boardWays';
    case Countable = 'countable';
    case Why = 'why';
    case WhyAll = 'whyAll';
    case WhyLine = 'whyLine';
    case WhyProposal = 'whyProposal';
    case Outlook = 'outlook';

    /** Whether answers are told one by one as they are found. */
    public function tells(): bool
    {
        return in_array($this, [self::Remedies, self::Reliefs, self::BoardWays], true);
    }
}
