<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Application;
use Tests\Browser\Person;

/** Waits until the focus is on a cell of a grid, by row and column from 0. */
function onCell(Person $person, int $row, int $column): void
{
    Application::await(fn () => $person->focusIsOn("//*[@data-cell='{$row}:{$column}']"), "the focus on cell {$row}:{$column}");
}

/** Presses Tab until the focus is where it should be, as somebody without a mouse does, and says how often that was. */
function tabsTo(Person $person, string $where, int $most = 30): int
{
    for ($presses = 0; $presses <= $most; $presses++) {
        if ($person->focusIsOn($where)) {
            return $presses;
        }
        $person->presses('TAB');
    }
    throw new RuntimeException("{$where} was not reached by {$most} presses of Tab");
}

it('goes through the plan by key: a cell, its arithmetic, its record, the last row and back', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/plan')->find("//*[@data-cell='0:0']");
    $person->presses('ARROW_DOWN');
    onCell($person, 0, 0);
    $person->presses('ARROW_DOWN', 'ARROW_RIGHT', 'ARROW_RIGHT');
    onCell($person, 1, 2);
    $person->presses('?')->sees('Balance before')->presses('ESCAPE');
    onCell($person, 1, 2);
    $person->presses('ENTER')->sees('Forecast left');
    $rows = (int) $person->find("//*[@role='treegrid']")->getAttribute('aria-rowcount') - 2;
    $person->pressesWith('CONTROL', \Facebook\WebDriver\WebDriverKeys::END);
    Application::await(fn () => $person->counts("//*[@data-cell='{$rows}:0']") === 1, 'the last row to be drawn');
    expect($person->counts("//*[@data-cell][@tabindex='0']"))->toBe(1);
    $person->pressesWith('CONTROL', \Facebook\WebDriver\WebDriverKeys::HOME);
    onCell($person, 0, 0);
    expect($person->complaints())->toBe([]);
});

it('types a forecast by key, and puts it back', function () {
    $person = Person::signedIn('nell@marrowby.example');
    $person->opens('/demand?view=forecast')->find("//*[@data-cell='0:13']");
    $person->presses('ARROW_DOWN', 'ARROW_RIGHT');
    onCell($person, 0, 14); // from the week of today on
    $figure = "//input[@data-cell='0:14']";
    $before = $person->find($figure)->getAttribute('value');
    $person->presses('9', '9', '9', '9')->presses('ESCAPE');
    expect($person->find($figure)->getAttribute('value'))->toBe($before);

    // far from what stands there: asked about, given back by Enter, meant by Tab and Enter
    $person->presses('9', '9', '9', '9', 'ENTER')->sees('Is this quantity meant?')->presses('ENTER')->seesNot('Is this quantity meant?');
    $person->focuses($figure)->presses('9', '9', '9', '9', 'ENTER')->sees('Is this quantity meant?')->presses('TAB', 'ENTER');
    $person->seesNot('Is this quantity meant?')->sees('1 change since');
    $person->focuses("//input[@data-cell='1:14']");
    $person->presses('ARROW_UP');
    onCell($person, 0, 14);
    $person->presses(...str_split($before === '' ? '0' : $before))->presses('ENTER');
    $before === '' || $person->sees('Is this quantity meant?')->presses('TAB', 'ENTER');
    $person->sees('2 changes since');
    expect($person->complaints())->toBe([]);
});

it('makes a study, plans it and compares it without a mouse', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/studies?open=new')->find('#study-name');
    Application::await(fn () => $person->focusIsOn('#study-name'), 'the focus on the name');
    $person->presses(...str_split('Half of it'));
    tabsTo($person, "//select[@aria-label='Add a change']", 15);
    $person->presses('M', 'TAB');
    Application::await(fn () => $person->focusIsOn('#change-percent'), 'the focus on the percent');
    $person->presses('5', '0', 'ENTER')->sees('More or less demand: 50');
    Application::await(fn () => $person->focusIsOn("//select[@aria-label='Add a change']"), 'the focus back on the choice');
    tabsTo($person, "//button[normalize-space()='Keep and plan it']", 3);
    $person->presses('ENTER')->sees('50 % of the demand');
    Application::await(fn () => $person->counts("//a[starts-with(@href, '/compare?')]") > 0, 'the study to be planned');
    tabsTo($person, "//a[starts-with(@href, '/compare?')]");
    $person->presses('ENTER')->sees('What was added, is gone or is changed')->find('(//*[@data-row])[2]');
    expect($person->reads("//dl/div[dt='Lines late']"))->toContain('better');
    $person->presses('ARROW_DOWN');
    Application::await(fn () => $person->focusIsOn('(//*[@data-row])[1]'), 'the focus on the first difference');
    $person->presses('ARROW_DOWN', 'ARROW_RIGHT');
    Application::await(fn () => $person->counts('(//*[@data-row])[2]//a') === 0
        || $person->focusIsOn('(//*[@data-row])[2]//a'), 'the focus in the row');
    expect($person->complaints())->toBe([]);
});

it('asks any figure of an item by key', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/item?item=RG-110&at=OSK')->find("//*[@data-cell='0:0']");
    $person->presses('ARROW_DOWN', ...array_fill(0, 6, 'ARROW_DOWN'))->presses('ARROW_RIGHT', 'ARROW_RIGHT');
    onCell($person, 6, 2);
    expect($person->reads("//*[@data-cell='6:2']"))->toContain('5');
    $person->presses('ENTER')->sees('What moves in this time')->presses('ESCAPE');
    onCell($person, 6, 2);
    $person->presses('TAB');
    expect($person->counts('//*[@data-cell]'))->toBeGreaterThan(20)->and($person->focusIsOn("//*[@data-cell='6:3']"))->toBeFalse()
        ->and($person->complaints())->toBe([]);
});

it('follows a thread by key to the order that decides it', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/thread?of=sales:SO-7719/1')->find("//*[@role='treeitem'][2]");
    $count = $person->counts("//*[@role='treeitem']");
    $person->presses('ARROW_DOWN', 'ARROW_DOWN', 'ARROW_LEFT');
    Application::await(fn () => $person->counts("//*[@role='treeitem']") < $count, 'a branch to be folded');
    $person->presses('ARROW_RIGHT');
    Application::await(fn () => $person->counts("//*[@role='treeitem']") === $count, 'it to be unfolded');
    $person->presses('END');
    Application::await(fn () => $person->focusIsOn("(//*[@role='treeitem'])[{$count}]"), 'the focus on the last');
    $person->presses('HOME', 'ARROW_DOWN', 'ENTER')->sees('Order');
    expect($person->complaints())->toBe([]);
});

it('comes from Today to what needs one, and back, by key', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/')->find('(//a[@data-row])[2]');
    $person->presses('ARROW_DOWN', 'ENTER')->sees('SO-7719/1')->sees('Coastal Trust');
    $person->pressesWith('CONTROL', 'k')->presses(...str_split('compare'));
    // what was found for the first letters is still there for a moment
    $person->finds("//*[@role='option' and @data-focus and contains(., 'Compare plans')]")->presses('ENTER')->sees('Choose two plans');
    expect($person->complaints())->toBe([]);
});

it('goes through the parts of what is asked by key: figures follow, branches are folded', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $rows = "//*[@role='tree']//*[@data-row]";
    $person->opens('/complete?of=order:M-1047')->sees('decides the day')->find($rows);
    $before = $person->counts($rows);
    $person->focuses("({$rows})[2]")->sees('SH-41, Sensor head, heated');
    $person->presses('ARROW_LEFT');
    Application::await(fn () => $person->counts($rows) < $before, 'it to be folded');
    $person->presses('ARROW_RIGHT');
    Application::await(fn () => $person->counts($rows) === $before, 'it to be unfolded');
    $person->presses('ARROW_DOWN')->sees('PCB-207, Signal board')->sees('not covered by Wed 4 Mar');
    expect($person->complaints())->toBe([]);
});

it('picks days by key, and the list says because of what', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/shortages')->sees('P-3302 comes Tue 3 Mar, 1 day late');
    $person->focuses("//*[@role='listbox']//*[@role='option'][3]")->presses('ENTER')->seesNot('P-3302 comes')->sees('Wed 4 Mar: ');
    $person->pressesWith('SHIFT', WebDriverKeys::ARROW_RIGHT)->sees('Wed 4 Mar to Thu 5 Mar: ');
    $person->presses('ESCAPE')->sees('P-3302 comes');
    expect($person->complaints())->toBe([]);
});
