<?php

declare(strict_types=1);

namespace App\Actions;

use App\Support\Refused;
use Yposta\Core\Network\Network;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\DoesNotFit;

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
}
