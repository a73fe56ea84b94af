<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Support\Phrase;

/** A list of changes, applied one after the other. */
final readonly class Changes
{
    /** @param  list<Change>  $list */
    public function __construct(public array $list)
    {
    }

    /** @throws DoesNotFit when one does not */
    public function apply(Network $network): Network
    {
        foreach ($this->list as $change) {
            $network = $change->apply($network);
        }

        return $network;
    }

    /**
     * Applies what fits.
     *
     * @return array{Network, array<int, Phrase>} the network, and why lines do not fit, by their place
     */
    public function applyWhatFits(Network $network): array
    {
        $troubles = [];
        foreach ($this->list as $place => $change) {
            try {
                $network = $change->apply($network);
            } catch (DoesNotFit $trouble) {
                $troubles[$place] = $trouble->phrase();
            }
        }

        return [$network, $troubles];
    }

    /**
     * What takes all of them back, the last one first.
     *
     * @return list<Change>
     *
     * @throws DoesNotFit
     */
    public function inverse(Network $before): array
    {
        $inverse = [];
        foreach ($this->list as $change) {
            array_unshift($inverse, ...$change->inverse($before));
            $before = $change->apply($before);
        }

        return $inverse;
    }
}
