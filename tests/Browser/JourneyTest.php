<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** The balances of an item over all periods of the plan grid. */
function balancesOf(Person $person, string $item): string
{
    $row = "(//div[@role='row'][.//span[text()='{$item}']])[1]";
    $person->opens("/plan?q={$item}&sort=code")->find("{$row}//div[@role='gridcell'][20]");

    return $person->reads($row);
}

/** What is proposed for an item, row by row. */
function proposalsOf(Person $person, string $item): array
{
    $rows = "//tbody[.//th[contains(., '{$item} ')]]//tr[@data-row]";
    $person->opens("/proposals?until=all&by=item&q={$item}")->find("({$rows})[1]");

    return array_map(
        fn (int $n) => $person->reads("({$rows})[{$n}]//input[@inputmode='decimal']").' '.$person->reads("({$rows})[{$n}]/td[5]"),
        range(1, $person->counts($rows)),
    );
}

it('takes a planner from a forecast to orders, and proposes nothing twice', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $balances = balancesOf($person, 'CAB-V');
    $proposals = proposalsOf($person, 'RG-220');

    // change a forecast cell: the plan is stale now, and says so
    $person->opens('/demand?view=forecast&q=RG-220')->sees('consumed');
    $cell = "//input[@aria-label='Forecast of RG-220 from 11 May']";
    expect($person->reads($cell))->toBe('2');
    $person->types($cell, '19')->presses('ENTER')->sees('19 pcs instead of 2 pcs')->clicks("//button[normalize-space()='Keep it so']")
        ->sees('1 change since');

    // run, and watch the stages to the result
    $person->clicks("//button[normalize-space()='Run']")->sees('All levels')->clicks("//button[normalize-space()='Run now']")
        ->sees('The new plan is live')->seesNot('1 change since');
    $person->presses('ESCAPE');

    // the balance and the proposals of the item have changed
    expect(balancesOf($person, 'CAB-V'))->not->toBe($balances);
    $after = proposalsOf($person, 'RG-220');
    expect($after)->not->toBe($proposals)->and($after)->toContain('19 Mon 11 May');

    // ask a number
    $person->opens('/plan?q=RG-220&sort=code')->clicks("(//div[@role='row'][.//span[text()='RG-220']])[1]//div[@role='gridcell'][11]")
        ->sees('Forecast left by orders')->sees('Balance at the end of')->presses('ESCAPE')->seesNot('Balance at the end of Sun 17 May');

    // convert two purchase proposals of one supplier and one production proposal
    $person->opens('/proposals')->sees('By supplier');
    $fennick = "//tbody[.//th[contains(., 'Fennick Circuits')]]//tr[@data-row]";
    $made = "//tbody[.//th[contains(., 'Made at Oskerby')]]//tr[@data-row]";
    $items = [
        $person->reads("({$fennick})[1]/td[2]/span[1]"),
        $person->reads("({$fennick})[2]/td[2]/span[1]"),
    ];
    $person->clicks("({$fennick})[1]//input[@type='checkbox']")->clicks("({$fennick})[2]//input[@type='checkbox']");
    $person->presses('ESCAPE')->presses('END'); // what is made stands at the end, and is drawn when one comes there
    $items[] = $person->reads("({$made})[1]/td[2]/span[1]");
    $person->clicks("({$made})[1]//input[@type='checkbox']")
        ->sees('3 picked')->sees('1 purchase order')->sees('1 production order');
    $number = $person->find("({$made})[1]//input[@type='checkbox']")->getAttribute('aria-label');
    $person->clicks("//button[starts-with(normalize-space(), 'Convert')]")->sees('Fennick Circuits for Oskerby')
        ->clicks("//button[starts-with(normalize-space(), 'Make ') and kbd and not(@disabled)]")
        ->sees('1 purchase order and 1 production order made.')
        ->sees('1 change since');
    expect($person->counts("//input[@aria-label='{$number}']"))->toBe(0);

    // find the one purchase order with both lines, and the production order with its components and its source
    $person->clicks("//div[@role='status']//a[starts-with(text(), 'P-')]")->sees('Fennick Circuits')->sees($items[0])->sees($items[1])
        ->sees('of run');
    expect($person->counts("//table[.//th[text()='Price']]/tbody/tr"))->toBe(2);
    $person->opens('/orders?kind=make&status=firm')->sees("{$items[2]}");
    $person->clicks("//tr[@data-row][td[contains(., 'from run')]]")->sees('Made from Proposal');

    // run again: nothing is proposed twice
    $person->clicks("//button[normalize-space()='Run']")->sees('All levels')->clicks("//button[normalize-space()='Run now']")
        ->sees('The new plan is live')->presses('ESCAPE');
    foreach ($items as $item) {
        $person->opens('/item?item='.$item.'&at=OSK')->sees('At a glance');
    }
    $person->opens('/proposals')->sees('By supplier')->seesNot('changes since');
    foreach (array_slice($items, 0, 2) as $item) {
        expect($person->counts("//tbody[.//th[contains(., 'Fennick Circuits')]]//tr[@data-row][td[2]/span[1][text()='{$item}']]"))->toBe(0);
    }
    expect($person->complaints())->toBe([]);
});

it('can be worked by keyboard alone', function () {
    $person = Person::signedIn('ivo@marrowby.example');

    // find an item from anywhere
    $person->presses("\u{E009}k")->presses("\u{E000}");
    $person->types("//input[@aria-label='Find anything']", 'sh-41')->sees('Sensor head, heated');
    Application::await(fn () => $person->counts("//div[@role='option'][contains(., 'SH-41')]") > 0, 'the item among the hits');
    $person->presses('ENTER')->sees('At a glance');

    // walk through the grid, ask a number, open a record
    $person->opens('/plan')->focuses('[data-cell="0:0"]')->presses('ARROW_DOWN', 'ARROW_DOWN', 'ARROW_RIGHT');
    Application::await(fn () => $person->focusIsOn('[data-cell="2:1"]'), 'the focus on the third row');
    $person->presses('?')->sees('Balance at the end of')->presses('ESCAPE');
    Application::await(fn () => $person->focusIsOn('[data-cell="2:1"]'), 'the focus to come back');
    $person->presses('ENTER')->sees('Proposals to start');

    // tick, type a quantity, take it back, convert
    $person->opens('/proposals?by=date')->focuses('[data-row]')->presses('ARROW_DOWN')->presses(' ')->sees('1 picked')->presses('ENTER')
        ->presses('7777')->presses('ESCAPE')
        ->presses('c')->finds("//button[starts-with(normalize-space(), 'Make ') and kbd and not(@disabled)]")->presses('c')->sees('order made.');
    expect($person->complaints())->toBe([]);
});

it('asks before an absurd quantity is ordered, and gives it back', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/proposals?by=date');
    $row = '(//tr[@data-row])[1]';
    $old = $person->reads("{$row}//input[@inputmode='decimal']");
    $person->types("{$row}//input[@inputmode='decimal']", '99999')->clicks("{$row}//input[@type='checkbox']")
        ->clicks("//button[starts-with(normalize-space(), 'Convert')]")->clicks("//button[starts-with(normalize-space(), 'Make ') and kbd and not(@disabled)]")
        ->sees('Is this quantity meant?')->sees('Nothing has been ordered yet.')->clicks("//*[@role='dialog']//button[normalize-space()='Go back']")->seesNot('Is this quantity meant?');
    $person->clicks("{$row}//input[@inputmode='decimal']")->presses('ESCAPE');
    expect($person->reads("{$row}//input[@inputmode='decimal']"))->toBe($old);
});

it('hides from a viewer what a viewer may not do', function () {
    $person = Person::signedIn('tamsin@marrowby.example');
    $person->opens('/proposals')->sees('By supplier');

    expect($person->counts("//button[normalize-space()='Run']"))->toBe(0)->and($person->counts("//tr[@data-row]//input[@type='checkbox']"))
        ->toBe(0);
    $person->opens('/demand?view=forecast')->sees('You may look at the forecast but not change it.');
    expect($person->complaints())->toBe([]);
});
