<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Bundle\Findings;
use Yposta\Core\Bundle\RowError;
use Yposta\Core\Bundle\ShopChecks;
use Yposta\Core\Bundle\StructureChecks;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\CalendarDay;
use Yposta\Core\Network\CalendarWeek;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Operation;
use Yposta\Core\Network\OperationAlternative;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\Site;
use Yposta\Core\Network\WorkCentre;
use Yposta\Core\Options\Options;
use Yposta\Core\Structure\LoopCheck;
use Yposta\Core\Support\Phrase;

/** What is wrong between the rows of a network once those of a kind were changed, and was not before: the checks of a bundle. */
final class TableChecks
{
    private const STRUCTURE = [BomLine::class, Planning::class];

    private const SHOP = [
        WorkCentre::class, Shift::class, Operation::class, OperationAlternative::class, Site::class, CalendarWeek::class,
        CalendarDay::class,
    ];

    /**
     * @param  class-string  $class  whose rows were changed
     * @return list<Phrase> problems; what only deserves a warning is none
     */
    public static function faults(string $class, Network $before, Network $after): array
    {
        $found = self::found($class, $after);
        if ($found === []) {
            return [];
        }
        $known = self::found($class, $before);

        return array_values(array_filter($found, fn (Phrase $problem) => ! in_array($problem, $known)));
    }

    /**
     * @param  class-string  $class
     * @return list<Phrase>
     */
    private static function found(string $class, Network $network): array
    {
        $findings = new Findings;
        if ($class === BomLine::class) {
            (new StructureChecks($findings))->clashes($network->bom);
        }
        if (in_array($class, self::STRUCTURE, true)) {
            (new LoopCheck)->check($network, Options::of(planDate: 0, horizonEnd: 0), $findings);
        }
        if (in_array($class, self::SHOP, true)) {
            $rows = [];
            foreach (Network::classes() as $one) {
                $rows[$one] = $network->rows($one);
            }
            (new ShopChecks($rows, [], $findings))->check();
        }

        return array_map(fn (RowError $error) => $error->problem, $findings->errors);
    }
}
