<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Network\Network;

/** What it takes to set a unit up for one family after another (scheduling rules, section 2). */
final class SetupChanges
{
    /** @var array<string, array<string, int>> millionths of a minute by centre, and by both families */
    private array $changes = [];

    public function __construct(Network $network)
    {
        foreach ($network->setupChanges as $row) {
            $this->changes[$row->workCentre]["{$row->fromFamily}\x1f{$row->toFamily}"] = $row->setup;
        }
    }

    /** Whether setups of a centre depend on what ran before. */
    public function at(string $centre): bool
    {
        return isset($this->changes[$centre]);
    }

    /**
     * Setup at a centre whose setups depend on what ran before, in millionths of a minute.
     *
     * @param  string  $before  family of what ran before; empty where nothing did or it has none
     * @param  int  $own  of the operation
     */
    public function between(string $centre, string $before, string $family, int $own): int
    {
        return match (true) {
            $before === '' || $family === '' => $own,
            isset($this->changes[$centre]["{$before}\x1f{$family}"]) => $this->changes[$centre]["{$before}\x1f{$family}"],
            $before === $family => 0,
            default => $own,
        };
    }
}
