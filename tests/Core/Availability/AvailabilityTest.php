<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Availability\Answer;
use Yposta\Core\Availability\Availability;
use Yposta\Core\Availability\GrossNeeds;
use Yposta\Core\Availability\Node;
use Yposta\Core\Availability\Question;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\HoldUpReason;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Trial;

/** BOX takes 2 DOORs and 4 PINs, a DOOR takes 1 PANE and 2 PINs. Order M1 makes 5 BOX; 30 PINs and 4 DOORs are there. */
beforeEach(function () {
    $contents = Support::small([
        'items' => "item,name,unit,decimals\nBOX,Box,pcs,0\nDOOR,Door,pcs,0\nPANE,Pane,pcs,0\nPIN,Pin,pcs,0\n",
        'planning' => "item,site,supply,lead_days,supplier\nBOX,MAIN,make,2,\nDOOR,MAIN,make,3,\nPANE,MAIN,buy,6,SUP\nPIN,MAIN,buy,4,SUP\n",
        'bom' => "item,line,component,qty\nBOX,10,DOOR,2\nBOX,20,PIN,4\nDOOR,10,PANE,1\nDOOR,20,PIN,2\n",
        'stock' => "item,site,qty\nDOOR,MAIN,4\nPIN,MAIN,30\nPANE,MAIN,3\n",
        'orders' => "order,kind,status,item,site,qty,due\nM1,make,firm,BOX,MAIN,5,2026-03-12\n",
        'sales' => "order,line,item,site,qty,due\nS1,1,BOX,MAIN,5,2026-03-12\nS2,1,PIN,MAIN,8,2026-03-30\n",
    ]);
    $this->trial = new Trial($contents->network, $contents->options);
    $this->ask = fn (
        Question $question, int $qty, string $due, callable $read,
    ) => (new Availability($this->trial, $question))->on($qty * 1_000_000, Day::parse($due), $read);
});

it('answers for an order, down to what is bought, with the path that decides', function () {
    $found = ($this->ask)(Question::order('M1'), 5, '2026-03-12', fn (Answer $answer) => [
        'complete' => Day::format((int) $answer->complete), 'inTime' => $answer->isInTime(), 'why' => $answer->decidedBy?->reason,
        'at' => $answer->decidedAt?->item->code, 'stock' => $answer->isFromWhatThereIs(),
        'nodes' => array_map(
            fn (Node $node) => [
                $node->depth, $node->point->item->code, $node->demand->qty / 1_000_000, $node->onHand / 1_000_000,
                $node->short() / 1_000_000, $node->decides,
            ],
            $answer->nodes,
        ),
    ]);

    // 6 doors are made for 03-10, begun 03-05; 3 panes of 6 are bought in 6 days: 03-10, 3 days late for the doors: 03-13, so that the
    // boxes are there on 03-17
    expect($found)->toBe([
        'complete' => '2026-03-17', 'inTime' => false, 'why' => HoldUpReason::LeadTime, 'at' => 'PANE', 'stock' => false,
        'nodes' => [[0, 'DOOR', 10, 4, 6, true], [1, 'PANE', 6, 3, 3, true], [1, 'PIN', 12, 30, 0, false], [0, 'PIN', 20, 30, 2, false]],
    ]);
});

it('moves the date until it is in time, and finds the first such day', function () {
    $availability = new Availability($this->trial, Question::order('M1'));
    $day = $availability->earliest(5_000_000, Day::parse('2026-03-02'));

    expect(Day::format((int) $day))->toBe('2026-03-17')
        ->and(($this->ask)(Question::order('M1'), 5, '2026-03-17', fn (Answer $answer) => $answer->isInTime()))->toBeTrue()
        ->and(($this->ask)(Question::order('M1'), 5, '2026-03-16', fn (Answer $answer) => $answer->isInTime()))->toBeFalse();
});

it('tells how much there could be, with and without ordering', function () {
    $availability = new Availability($this->trial, Question::order('M1'));

    // 2 boxes by then: 4 doors, 8 pins. The doors of a third would be made with those of the rest of the sales line, which wait for panes
    expect($availability->possible(Day::parse('2026-03-12'), true, 1_000_000, 100_000_000))->toBe(2_000_000)
        ->and($availability->possible(Day::parse('2026-03-12'), false, 1_000_000, 100_000_000))->toBe(2_000_000)
        ->and($availability->possible(Day::parse('2026-04-10'), false, 1_000_000, 50_000_000))->toBe(50_000_000);
});

it('answers for so much of an item as for an order of it, and for a sales line', function () {
    $changes = Question::item('BOX', 'MAIN')->changes($this->trial->network(), 2_000_000, Day::parse('2026-03-20'));
    expect($changes)->toEqual([new PutOrder(OpenOrder::of(
        code: 'new:1',
        kind: OrderKind::Make,
        status: OrderStatus::Firm,
        item: 'BOX',
        site: 'MAIN',
        qty: 2_000_000,
        due: Day::parse('2026-03-20'),
    ))])
        ->and(($this->ask)(
            Question::item('BOX', 'MAIN'), 2, '2026-03-20', fn (Answer $answer) => count($answer->nodes),
        ))->toBeGreaterThan(1)
        ->and(($this->ask)(
            Question::item('PANE', 'MAIN'), 2, '2026-03-20', fn (Answer $answer) => [$answer->nodes, $answer->isInTime()],
        ))->toBe([[], true])
        ->and(($this->ask)(
            Question::salesLine('S1', '1'), 5, '2026-03-12',
            fn (Answer $answer) => [
                Day::format((int) $answer->complete),
                $answer->nodes[0]->point->item->code,
                $answer->decidedAt?->item->code,
            ],
        ))->toBe(['2026-03-17', 'BOX', 'PANE'])
        ->and(($this->ask)(Question::salesLine('S1', '1'), 5, '2026-03-17', fn (Answer $answer) => $answer->isInTime()))->toBeTrue();
});

it('asks for what stands without changing anything', function () {
    expect(Question::order('M1')->changes($this->trial->network(), 5_000_000, Day::parse('2026-03-12')))->toBe([])
        ->and(Question::order('M1')->changes(
            $this->trial->network(),
            5_000_000,
            Day::parse('2026-03-17'),
        ))->toEqual([new MoveOrder('M1', Day::parse('2026-03-17'))])
        ->and(Question::salesLine('S1', '1')->stands($this->trial->network()))->toMatchArray(['qty' => 5_000_000, 'item' => 'BOX']);
});

it('tells what the asking would do to others', function () {
    $lines = ($this->ask)(
        Question::order('M1'), 5, '2026-03-24',
        fn (Answer $answer, Effect $effect) => array_map(
            fn ($slip) => [$slip->arrival()->reference, $slip->days(), $slip->hurts()],
            $effect->lines,
        ),
    );

    expect($lines)->toBe([['sales:S1/1', 7, true]]);
});

it('refuses what is not there', function (Question $question) {
    expect(fn () => ($this->ask)($question, 1, '2026-03-12', fn () => null))->toThrow(DoesNotFit::class);
})->with([[Question::order('M9')], [Question::salesLine('S9', '1')], [Question::item('GHOST', 'MAIN')]]);

it('adds up what is bought over all levels against what there is', function () {
    $rows = $this->trial->with(
        [],
        fn (Plan $plan) => array_map(
            fn (array $row) => [
                $plan->structure->points[$row['point']]->item->code, $row['qty'] / 1_000_000, $row['stock'] / 1_000_000,
                $row['missing'] / 1_000_000,
            ],
            GrossNeeds::of($plan, $plan->structure->find('BOX', 'MAIN')->index, 1_000_000_000, Day::parse('2026-03-12')),
        ),
    );

    expect($rows)->toBe([['PANE', 2000, 3, 1997], ['PIN', 8000, 30, 7970]]);
});

it('follows fifty levels and stops at what it can show', function () {
    $items = "item\n";
    $planning = "item,site,supply,lead_days,supplier\n";
    $bom = "item,line,component,qty\n";
    for ($level = 0; $level < 50; $level++) {
        $items .= "L{$level}\n";
        $planning .= $level < 49 ? "L{$level},MAIN,make,1,\n" : "L{$level},MAIN,buy,1,SUP\n";
        $bom .= $level < 49 ? "L{$level},1,L".($level + 1).",1\n" : '';
    }
    $contents = Support::small([
        'items' => $items, 'planning' => $planning, 'bom' => $bom,
        'sales' => "order,line,item,site,qty,due\nS1,1,L0,MAIN,1,2026-04-28\n",
    ]);
    $depth = (new Availability(new Trial($contents->network, $contents->options), Question::salesLine('S1', '1')))->on(
        1_000_000,
        Day::parse('2026-04-28'),
        fn (Answer $answer) => array_map(fn (Node $node) => $node->depth, $answer->nodes),
    );

    expect($depth)->toBe(range(0, 49));
});
