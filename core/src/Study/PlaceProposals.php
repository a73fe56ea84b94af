<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\ProposalOperation;

/** Says where the operations of all proposals that are in the shop stand. */
final readonly class PlaceProposals implements Change
{
    /** @param  list<ProposalOperation>  $rows */
    public function __construct(#[RowsOf(ProposalOperation::class)] public array $rows)
    {
    }

    public function apply(Network $network): Network
    {
        return $network->with(proposalOperations: $this->rows);
    }

    public function inverse(Network $before): array
    {
        return [new self($before->proposalOperations)];
    }
}
