<?php

declare(strict_types=1);

namespace App\Actions;

use App\Support\Refused;
use App\Support\Settings;
use App\Support\Words;
use Yposta\Core\Network\Network;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\IssuePart;
use Yposta\Core\Study\IssueToJob;
use Yposta\Core\Study\ShipLine;

/** Tries what is about to be posted, so that what stands in the way is said in its own words. */
final class PostedChange
{
    /** @throws Refused */
    public static function apply(Change $change, Network $network): Network
    {
        try {
            return $change->apply($network);
        } catch (DoesNotFit $trouble) {
            throw Refused::because('stock.unfit', ['trouble' => $trouble->phrase()], 'fit');
        }
    }

    /**
     * Takes from stock. Where the books have less, that is asked first, if a setting lets it happen at all.
     *
     * @param  bool  $sure  whether the person has seen that the books have less
     * @return array{IssuePart|IssueToJob|ShipLine, Network} the change as it is to be written, and what comes of it
     *
     * @throws Refused
     */
    public static function take(IssuePart|IssueToJob|ShipLine $change, Network $network, bool $sure): array
    {
        try {
            return [$change, $change->apply($network)];
        } catch (DoesNotFit $trouble) {
            $below = match (true) {
                $change instanceof ShipLine => new ShipLine($change->order, $change->line, $change->qty, true),
                $change instanceof IssueToJob => new IssueToJob($change->job, $change->line, $change->qty, true),
                $change instanceof IssuePart => new IssuePart($change->order, $change->line, $change->qty, $change->more, true),
            };
            $after = Settings::get(Settings::BELOW_ZERO, false) === true ? self::tried($below, $network) : null;
            $after !== null || throw Refused::because('stock.unfit', ['trouble' => $trouble->phrase()], 'fit');
            $said = Words::say($trouble->phrase());

            return $sure ? [$below, $after] : throw Refused::because('stock.below_zero', ['trouble' => $trouble->phrase()], 'below_zero', ['lines' => [$said]]);
        }
    }

    private static function tried(Change $change, Network $network): ?Network
    {
        try {
            return $change->apply($network);
        } catch (DoesNotFit) {
            return null;
        }
    }
}
