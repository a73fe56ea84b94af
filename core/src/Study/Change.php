<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/**
 * One thing that is tried on top of the live data: a line of a draft or a study.
 *
 * Fields are scalars or lists of them, so that a change can be kept and sent; see {@see ChangeCodec}. Quantities in millionths, dates
 * as day numbers.
 */
interface Change
{
    /** @throws DoesNotFit when what it speaks of is not there, or not in that state */
    public function apply(Network $network): Network;

    /**
     * What takes it back, in the order in which it is to be applied.
     *
     * @param  Network  $before  the network that it was applied to
     * @return list<Change>
     *
     * @throws DoesNotFit
     */
    public function inverse(Network $before): array;
}
