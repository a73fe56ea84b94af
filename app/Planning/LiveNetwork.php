<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\Journal;
use App\Support\Snapshot;
use Yposta\Core\Network\Network;

/** The network of the live data, read once for all that one request does with it. */
final class LiveNetwork
{
    private ?Network $network = null;

    private int $stamp = -1;

    public function __construct(private readonly NetworkReader $reader)
    {
    }

    /**
     * Read anew when something was written since.
     *
     * @param  int|null  $stamp  as it was found just before
     */
    public function read(?int $stamp = null): Network
    {
        $stamp ??= $this->stamp();
        if ($this->network === null || $stamp !== $this->stamp) {
            $this->network = Snapshot::read($this->reader->read(...));
            $this->stamp = $stamp;
        }

        return $this->network;
    }

    public function forget(): void
    {
        $this->network = null;
    }

    /** Changes with every write of data. */
    public function stamp(): int
    {
        return Journal::newest();
    }
}
