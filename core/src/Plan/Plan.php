<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;
use Yposta\Core\Projection\HoldUps;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\HoldUp;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Structure\Structure;

/**
 * The result of a run. What goes over all points is put together when it is asked for, as a try asks for few of it; all of it is of no
 * use any more after a net change went on from it.
 */
final class Plan
{
    public readonly Options $options;

    public readonly Structure $structure;

    /** @var array<int, list<Supply>> by point: stock, open orders, proposals */
    public readonly array $supplies;

    /** @var array<int, list<Demand>> by point, safety stock last */
    public readonly array $demands;

    /** @var array<int, int> by point, the first day in the horizon on which projected stock is below zero */
    public readonly array $shortFrom;

    private ?PegIndex $pegIndex = null;

    /** @var list<Supply>|null */
    private ?array $proposals = null;

    /** @var list<Peg>|null */
    private ?array $pegs = null;

    /** @var list<Message>|null */
    private ?array $messages = null;

    /**
     * @param  Network  $network  what it was made of
     * @param  Workspace  $work  what a net change goes on from, see {@see \Yposta\Core\NetChange\NetChange}
     * @param  array<int, true>|null  $renewed  the points that differ from the plan that it went on from; null after a whole run
     */
    public function __construct(
        public readonly Network $network,
        public readonly Workspace $work,
        public readonly ?array $renewed = null,
    ) {
        $this->options = $work->options;
        $this->structure = $work->structure;
        $this->supplies = $work->supplies;
        $this->demands = $work->demands;
        $this->shortFrom = $work->shortFrom;
    }

    /** @return list<Supply> in the order in which they were made, which is that of their numbers */
    public function proposals(): array
    {
        if ($this->proposals === null) {
            $this->proposals = [];
            foreach ($this->structure->netting as $index) {
                foreach ($this->supplies[$index] ?? [] as $supply) {
                    $supply->isProposal() && $this->proposals[] = $supply;
                }
            }
        }

        return $this->proposals;
    }

    /** @return list<Peg> */
    public function pegs(): array
    {
        return $this->pegs ??= array_merge(...array_values($this->work->pegs));
    }

    /** Its pegs from both ends, shared by all that asks for them. */
    public function pegIndex(): PegIndex
    {
        return $this->pegIndex ??= new PegIndex($this);
    }

    /** @return list<Peg> what is shared at a point */
    public function pegsAt(int $point): array
    {
        return $this->work->pegs[$point] ?? [];
    }

    /** @return list<Message> what the input itself says, then what the netting says, then the projection */
    public function messages(): array
    {
        return $this->messages ??= array_merge(
            ...array_values($this->work->factMessages),
            ...array_values($this->work->nettingMessages),
            ...array_values($this->work->projectionMessages),
        );
    }

    /** @return list<Message> those of a point */
    public function messagesAt(int $point): array
    {
        return [
            ...$this->work->factMessages[$point] ?? [], ...$this->work->nettingMessages[$point] ?? [],
            ...$this->work->projectionMessages[$point] ?? [],
        ];
    }

    /** The place of a proposal among those of its point that are due on its day, from 0: by it one is known again in another plan. */
    public function placeAmongDue(Supply $proposal): int
    {
        $place = 0;
        foreach ($this->supplies[$proposal->point] as $other) {
            if ($other === $proposal) {
                break;
            }
            $place += $other->isProposal() && $other->due === $proposal->due ? 1 : 0;
        }

        return $place;
    }

    /** @return list<ShopPlace> where its operations stand, by their number; none where it is not in a schedule */
    public function inShop(Supply $supply): array
    {
        return $this->work->shop[spl_object_id($supply)] ?? [];
    }

    /** Why a demand comes late; null when it does not. */
    public function holdUp(Demand $demand): ?HoldUp
    {
        return $demand->lateDays() > 0 ? (new HoldUps($this->options, $this->structure))->of($demand) : null;
    }
}
