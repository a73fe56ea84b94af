<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Structure\Structure;

/** The result of a run. */
final readonly class Plan
{
    public Options $options;

    public Structure $structure;

    /** @var array<int, list<Supply>> by point: stock, open orders, proposals */
    public array $supplies;

    /** @var array<int, list<Demand>> by point, safety stock last */
    public array $demands;

    /** @var list<Supply> in the order in which they were made, which is that of their numbers */
    public array $proposals;

    /** @var list<Peg> */
    public array $pegs;

    /** @var list<Message> */
    public array $messages;

    /** @var array<int, int> by point, the first day in the horizon on which projected stock is below zero */
    public array $shortFrom;

    /**
     * @param  Network  $network  what it was made of
     * @param  Workspace  $work  what a net change goes on from, see {@see \Yposta\Core\NetChange\NetChange}
     */
    public function __construct(public Network $network, public Workspace $work)
    {
        $this->options = $work->options;
        $this->structure = $work->structure;
        $this->supplies = $work->supplies;
        $this->demands = $work->demands;
        $this->shortFrom = $work->shortFrom;
        $proposals = [];
        foreach ($work->structure->netting as $index) {
            foreach ($work->supplies[$index] ?? [] as $supply) {
                $supply->isProposal() && $proposals[] = $supply;
            }
        }
        $this->proposals = $proposals;
        $this->pegs = array_merge(...array_values($work->pegs));
        $this->messages = array_merge(
            ...array_values($work->factMessages),
            ...array_values($work->nettingMessages),
            ...array_values($work->projectionMessages),
        );
    }
}
