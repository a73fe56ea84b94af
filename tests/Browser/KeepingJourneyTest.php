<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** The first value of the first row that a query finds. */
function stands(string $query): mixed
{
    return array_values(Application::running()->rows($query)[0] ?? [null])[0];
}

it('adds somebody by keyboard with a password that is told once, and takes the way in', function () {
    $person = Person::signedIn('rufus@marrowby.example');
    $person->opens('/people')->sees('people sign in')->clicks("//form[@aria-label='Add somebody']//label[contains(., 'Name')]//input");
    $person->presses(...[...str_split('Orla Quist'), 'TAB', ...str_split('orla@marrowby.example'), 'ENTER'])
        ->sees('Orla Quist may sign in.')->sees('told only now');
    expect(strlen($person->reads('//code')))->toBeGreaterThan(11)->and(stands("select name from users where email = 'orla@marrowby.example'"))->toBe('Orla Quist');
    $person->focuses("//button[@aria-label='Retire Orla Quist']")->presses('ENTER')->sees('Take their way in?')->clicks("//div[@role='dialog']//button[normalize-space()='Retire']")
        ->sees('Orla Quist does not sign in any more.');
    expect(stands("select retired_at from users where email = 'orla@marrowby.example'"))->not->toBeNull();
    $person->opens('/account')->sees('Rufus Oake');
    expect($person->complaints())->toBe([]);
});

it('keeps by keyboard what a run is asked for, begins it, and has it begin by itself', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->focuses("//button[normalize-space()='Run']")->presses('ENTER')->sees('Keep these choices');
    $person->focuses("//button[starts-with(normalize-space(), 'Rules')]")->presses('ENTER')->sees('Who is served first');
    $person->focuses("//label[contains(., 'Safety stock counts')]/input")->presses(' ')->sees('No safety stock');
    $person->focuses("//button[normalize-space()='Keep these choices']")->presses('ENTER');
    Application::await(fn () => $person->focusIsOn("//fieldset//input[@maxlength='80']"), 'the focus on the name');
    $person->presses(...[...str_split('Bare'), 'TAB', ' '])->focuses("//button[normalize-space()='Keep']")->presses('ENTER')->sees('Bare, daily at 06:00');
    $person->focuses("//button[normalize-space()='Run now']")->presses('ENTER')->sees('The new plan is live');
    expect(stands('select kept_run from runs order by id desc'))->toBe('Bare')
        ->and(json_decode((string) stands('select parameters from runs order by id desc'), true)['safetyStock'])->toBeFalse()
        ->and(stands('select daily_at from kept_runs'))->toBe('06:00');
    $person->clicks("//button[normalize-space()='Run again']")->clicks("//select[@aria-label='Begin from']/option[starts-with(., 'Bare')]")
        ->clicks("//button[normalize-space()='Keep these choices']")->clicks("//button[normalize-space()='Take Bare away']")->seesNot('Bare, daily');
    expect((int) stands('select count(*) from kept_runs'))->toBe(0);

    $person->opens('/proposals?until=all&by=item&q=BAT-7')->clicks('(//tr[@data-row])[1]/td[4]')->clicks("//button[contains(., 'What changed since')]")
        ->sees('Proposed for up to')->sees('the run was asked otherwise');
    $person->opens('/account')->sees('Ivo Marlin');
    expect($person->complaints())->toBe([]);
});

it('brings open orders, and finds all that is kept of an item in one place', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/data?kind=orders&opens=bring')->pastes('textarea', "order\tkind\tstatus\titem\tsite\tsupplier\tqty\tdue\n"
        ."7001\tbuy\treleased\tPCB-207\tOSK\tFENNICK\t25\t2026-03-27\nP-3308\tbuy\treleased\tPCB-207\tOSK\tFENNICK\t60\t2026-03-13\n")
        ->clicks("//button[normalize-space()='Look at it']")->sees('1 new')->sees('1 changed')->clicks("//button[normalize-space()='Write 2 rows']")
        ->sees('Open orders brought in: 1 new, 1 changed');
    $person->opens('/item?item=PCB-207')->sees('At a glance')->clicks("//a[normalize-space()='What is kept of it']")->sees('Prices by quantity')->sees('7001');
    $person->focuses("(//section[@aria-label='Offers']//tbody/tr)[1]")->presses('ARROW_DOWN', 'ENTER')
        ->finds("//aside//input[@aria-label='Lead days'][@value='14']")->types("//aside//input[@aria-label='Lead days']", '9')->presses('ENTER')
        ->sees('Draft, 1 change')->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('Written: ');
    expect((int) stands("select lead_days from supplier_items where item_code = 'PCB-207' and supplier_code = 'FENNICK'"))->toBe(9);
    $person->opens('/account')->sees('Ivo Marlin');
    expect($person->complaints())->toBe([]);
});

it('types and reads numbers with a comma once the company writes them so', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $boss = Person::signedIn('rufus@marrowby.example', second: true);
    $boss->opens('/company')->clicks("//select[@id='company-numbers']/option[@value='comma']")->clicks("//button[normalize-space()='Write it']")
        ->sees('How numbers are written: 1,234.5 to 1.234,5')->opens('/account')->sees('Rufus Oake');
    $person->opens('/structure?item=TH-3')->sees('0,01')->focuses("//tr[@data-row][contains(., 'RES-4')]")->presses('ENTER')
        ->finds("//input[@aria-label='Quantity of RES-4']")->presses(...str_split('0,25'))->presses('ENTER')->sees('Draft, 1 change')
        ->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('Written: ');
    expect((int) stands("select qty from bom_lines where item_code = 'TH-3' and component_code = 'RES-4'"))->toBe(250_000);
    $person->opens('/costs')->sees('Costs and margins');
    expect($person->reads('//table'))->toMatch('/\d\.\d{3},\d\d/');
    $person->opens('/account')->sees('Ivo Marlin');
    expect($person->complaints())->toBe([]);
});
