<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

/**
 * What the projection said of supplies and demands before a schedule said otherwise, so that planning can go on from the plan as it was
 * without the schedule.
 */
final class PlannedDates
{
    /** @var array<int, array{Supply, int, Demand|null}> by object id: available, waits for */
    private array $supplies = [];

    /** @var array<int, array{Demand, int|null, Supply|null}> by object id: expected, last */
    private array $demands = [];

    /** @var array<int, array{list<Message>|null, int|null}> by point: what the projection says of its stock, short from */
    private array $stock = [];

    public function __construct(private readonly Workspace $work)
    {
    }

    /** What was planned of a supply that a schedule has at another date, or waiting for something else. */
    public function keepSupply(Supply $supply, int $available, ?Demand $waitsFor): void
    {
        $this->supplies[spl_object_id($supply)] ??= [$supply, $available, $waitsFor];
    }

    /** What was planned of a demand that is served at another date, or last by another supply. */
    public function keepDemand(Demand $demand, ?int $expected, ?Supply $last): void
    {
        $this->demands[spl_object_id($demand)] ??= [$demand, $expected, $last];
    }

    /** Writes back what was planned. */
    public function restore(): void
    {
        foreach ($this->supplies as [$supply, $available, $waitsFor]) {
            [$supply->available, $supply->waitsFor, $supply->noCapacityAt] = [$available, $waitsFor, null];
        }
        foreach ($this->demands as [$demand, $expected, $last]) {
            [$demand->expected, $demand->last] = [$expected, $last];
        }
        foreach ($this->stock as $index => [$messages, $shortFrom]) {
            unset($this->work->projectionMessages[$index], $this->work->shortFrom[$index]);
            $messages === null || $this->work->projectionMessages[$index] = $messages;
            $shortFrom === null || $this->work->shortFrom[$index] = $shortFrom;
        }
        $this->supplies = $this->demands = $this->stock = [];
        $this->work->shop = [];
    }

    /** Forgets what the projection says of the stock of a point, to say it anew with the dates of the schedule. */
    public function renewStock(int $index): void
    {
        $this->stock[$index] ??= [$this->work->projectionMessages[$index] ?? null, $this->work->shortFrom[$index] ?? null];
        unset($this->work->projectionMessages[$index], $this->work->shortFrom[$index]);
    }

    /** @return array<int, true> the points at which something may not be as it was planned */
    public function points(): array
    {
        $points = [];
        foreach ([$this->supplies, $this->demands] as $elements) {
            foreach ($elements as [$element]) {
                $points[$element->point] = true;
            }
        }

        return $points + array_fill_keys(array_keys($this->stock), true);
    }
}
