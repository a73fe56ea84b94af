<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\BoardPlace;
use App\Reading\Shapes\BoardPlaces;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Remedy\ProposalOrders;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\Standpoint;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\MoveOperation;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\TakeOffBoard;

/**
 * Where operations of the board could stand, and the changes that put them there. A proposal that is put somewhere becomes a firm order
 * first.
 */
final class BoardMoves
{
    private readonly BoardWords $words;

    private readonly Standpoint $standpoint;

    /** @var array<string, string> codes of the orders that proposals become, by what the board asks for them by */
    private array $made = [];

    /** @var list<Change> */
    private array $changes = [];

    /** @var array<string, true> orders that wait for a place again, by code */
    private array $off = [];

    /** @param  'push'|'swap'|'overlap'  $way  in which what is in the way follows */
    public function __construct(
        private readonly BoardGround $ground,
        private readonly string $way,
        private readonly ProposalOrigins $origins,
    ) {
        $this->words = new BoardWords($ground, []);
        $this->standpoint = new Standpoint($ground->plan, $ground->schedule, $ground->shop);
    }

    /**
     * @param  list<array{of: string, op: int, centre: string, units: list<int>, start: int}>  $moves  minutes from 00:00 of the plan date
     *
     * @throws Refused when one is not there any more
     */
    public function all(array $moves): BoardPlaces
    {
        $places = array_map($this->place(...), $moves);
        $isSound = array_filter($places, fn (BoardPlace $place) => $place->end === null) === [];

        return new BoardPlaces($places, $isSound
            ? json_encode(array_map(fn (Change $change) => ChangeCodec::encode($change), $this->changes), JSON_THROW_ON_ERROR)
            : '');
    }

    /** @param  array{of: string, op: int, centre: string, units: list<int>, start: int}  $move */
    private function place(array $move): BoardPlace
    {
        $planDate = $this->ground->plan->options->planDate;
        $supply = $this->ground->find($move['of']);
        $units = $move['units'];
        sort($units);
        $start = $move['start'] + $planDate * Minute::DAY;
        $check = $this->standpoint->check($supply, $move['op'], $move['centre'], $units, $start);
        if ($check->end === null) {
            return new BoardPlace(null, $check->trouble === null ? '' : Words::say($check->trouble, $planDate), []);
        }
        $this->put($supply, new MoveOperation(
            $this->codeOf($supply, $move['of']), $move['op'], $move['centre'], implode(';', $units), Minute::format($start),
        ), $check->over);

        return new BoardPlace($this->ground->minute($check->end), null, array_map(
            fn (ShopPlace $place) => "{$this->words->label($place->supply)} {$this->words->itemOf($place->supply)}",
            $check->over,
        ));
    }

    /** @param  list<ShopPlace>  $over  what stands there */
    private function put(Supply $supply, MoveOperation $move, array $over): void
    {
        $this->changes[] = $move;
        $task = $this->ground->schedule->taskOf($supply, $move->op);
        $old = $task === null ? null : $this->ground->schedule->placeOf($task);
        $first = $over[0] ?? null;
        if ($this->way === 'swap' && $old !== null && $first !== null && ! $first->supply->isProposal()
            && count($old->units) === count($first->units)) {
            $this->changes[] = new MoveOperation(
                $first->supply->name, $first->op, $old->centre, implode(';', $old->units), Minute::format($old->start),
            );
        }
        foreach ($this->way === 'overlap' ? $over : [] as $place) {
            if (! $place->supply->isProposal() && ! isset($this->off[$place->supply->name])) {
                $this->off[$place->supply->name] = true;
                $this->changes[] = new TakeOffBoard($place->supply->name);
            }
        }
    }

    /** The code of an order, or of the one that a proposal becomes. */
    private function codeOf(Supply $supply, string $of): string
    {
        if (! $supply->isProposal()) {
            return $supply->name;
        }
        if (! isset($this->made[$of])) {
            $put = (new ProposalOrders($this->ground->plan, $this->origins))->of($supply, $supply->due, null, count($this->made));
            $this->changes[] = $put;
            $this->made[$of] = $put->orderCode();
        }

        return $this->made[$of];
    }
}
