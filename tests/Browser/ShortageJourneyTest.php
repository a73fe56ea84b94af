<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Application;
use Tests\Browser\Person;

const TRAY = "//section[@aria-label='Draft']";

it('finds three ways out of a shortage, combines two, commits, and undoes it from the journal', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/shortages')->sees('waits for something late')
        ->clicks("//tr[@data-row][contains(., 'PCB-207')][contains(., 'P-3308 comes')]")->sees('13 pcs of PCB-207 short');
    $card = fn (string $title) => "//li[contains(., '{$title}')]";
    $person->sees('Use PCB-207B for 13 pcs')->sees('Pull P-3308 in to Wed 4 Mar')->sees('Buy 13 pcs from Brantlow');

    // each tells what it does before it is chosen
    expect($person->reads($card('Pull P-3308')))->toMatch('/lines late 8 5/')->and($person->reads($card('Buy 13 pcs')))
        ->toMatch('/lines late 8 7/');

    // try the first, look, take it back by key; try the second instead
    $person->clicks("//button[@data-remedy][contains(., 'Pull P-3308 in to Wed 4 Mar')]")->sees('Draft, 1 change')
        ->sees('PCB-207 is covered with your draft');
    $person->focuses('#page')->pressesWith('CONTROL', 'z')->seesNot('Draft, 1 change')->sees('13 pcs of PCB-207 short');
    $person->clicks("//button[@data-remedy][contains(., 'Use PCB-207B for 13 pcs')]")->sees('Draft, 1 change');

    // combine it with another for the radar modules
    $person->clicks("//tr[@data-row][contains(., 'RM-31')][contains(., 'P-3311 comes')]")
        ->clicks("//button[@data-remedy][contains(., 'Pull P-3311 in to Fri 6 Mar')]")->sees('Draft, 2 changes');
    Application::await(fn () => str_contains($person->reads(TRAY), 'lines late 8 4'), 'four late lines');
    $person->clicks(TRAY.'//button[@aria-expanded]')->sees('Delmar Harbours')->sees('Use PCB-207B for 13 pcs');

    // the plan shows it, with the old figures beside the new
    $person->opens('/plan?q=RM-31')->sees('with your draft')->find("//*[@role='gridcell']//s");

    // written, all of it
    $person->clicks("//button[normalize-space()='Commit']")->sees('changes written.')->seesNot('Draft, 2 changes');
    $person->opens('/orders?q=P-3311')->sees('Fri 6 Mar');
    $person->opens('/shortages')->sees('waits for something late')->seesNot('P-3311 comes');
    expect($person->counts("//tr[@data-row][contains(., 'PCB-207 ')][contains(., 'P-3308 comes')]"))->toBe(0);

    // the journal tells it, and takes it back
    $person->opens('/journal')->sees('3 changes committed')->clicks("//button[normalize-space()='3 changes committed']")
        ->sees('P-3311 to Fri 6 Mar')
        ->clicks("//button[@aria-label='Undo: 3 changes committed']")->sees('3 changes undone.')->sees('Undone:');
    $person->opens('/orders?q=P-3311')->sees('Fri 13 Mar');
    expect($person->complaints())->toBe([]);
});

it('tells the second of two people who hold the same stock, and nothing half done is written', function () {
    $planner = Person::signedIn('ivo@marrowby.example');
    $planner->opens('/orders?q=P-3340')->clicks('//tr[@data-row]')->clicks("//summary[contains(., 'The supplier calls')]")
        ->types("//input[@name='draft-due']", '11.3')->clicks("//button[normalize-space()='Try it']")->sees('Draft, 1 change');
    $planner->opens('/shortages?days=14&q=REF-3')->clicks("//tr[@data-row][contains(., 'M-1061')]")
        ->clicks("//button[@data-remedy][contains(., 'Take 10 pcs from M-1063')]")->sees('Draft, 2 changes');

    // meanwhile the scheduler holds the same cells for M-1062, and sees that there is another's draft
    $scheduler = Person::signedIn('oskar@marrowby.example', true);
    $scheduler->opens('/reservations?view=held&q=REF-3')->sees('Drafts of others: Ivo')
        ->clicks("//button[starts-with(@aria-label, 'Free REF-3')]")->sees('Free stock of REF-3@OSK from M-1063/10');
    $scheduler->opens('/reservations?q=M-1062')->clicks("//input[@aria-label='Tick M-1062']")
        ->clicks("//button[normalize-space()='Hold what is there for 1']")->sees('holds written.');

    $planner->clicks("//button[normalize-space()='Commit']")->sees('is held for M-1063/10')->sees('1 line does not fit');
    $planner->opens('/orders?q=P-3340')->sees('Wed 11 Mar');
    expect($planner->counts("//s[contains(., '9 Mar')]"))->toBe(1);
    $planner->clicks("//button[normalize-space()='Discard']")->sees('Draft, empty');

    // the scheduler takes back what he did
    $scheduler->opens('/journal')->sees('Oskar');
    for ($left = 2; $left > 0; $left--) {
        $scheduler->clicks("(//tr[@data-row][contains(., 'Oskar')]//button[normalize-space()='Undo'])[1]");
        Application::await(
            fn () => $scheduler->counts("//tr[@data-row][contains(., 'Oskar')]//button[normalize-space()='Undo']") === $left - 1,
            'one to be undone',
        );
    }
    expect($planner->complaints())->toBe([])->and($scheduler->complaints())->toBe([]);
});

it('sees three orders slip when a supplier is late, and takes stock from the least urgent', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/orders?q=P-3340')->clicks('//tr[@data-row]')->clicks("//summary[contains(., 'The supplier calls')]")
        ->types("//input[@name='draft-due']", '11.3')->clicks("//button[normalize-space()='Try it']")
        ->sees('Draft, 1 change')->clicks(TRAY.'//button[@aria-expanded]');
    foreach (['M-1061', 'M-1062', 'M-1063'] as $order) {
        $person->sees($order);
    }
    Application::await(fn () => str_contains($person->reads(TRAY), 'lines late 8 11'), 'three more late lines');

    // from the order that slips to its ways out
    $person->clicks(TRAY."//li[contains(., 'M-1061')]//a[normalize-space()='Ways out']")->sees('10 pcs of REF-3 short')
        ->sees('Take 10 pcs from M-1063')
        ->clicks("//button[@data-remedy][contains(., 'Take 10 pcs from M-1063')]")->sees('Draft, 2 changes');
    Application::await(fn () => str_contains($person->reads(TRAY), 'lines late 8 10'), 'one line saved');
    $person->clicks("//button[normalize-space()='Commit']")->sees('changes written.');
    $person->opens('/reservations?view=held')->sees('REF-3')->sees('M-1061 FK-2');
    expect($person->complaints())->toBe([]);
});

it('solves a shortage by keyboard alone', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/shortages?q=WS-200')->sees('SO-7705/1')->presses('ARROW_DOWN')->sees('Pull T-0521 in to Tue 3 Mar')->presses('1')
        ->sees('Draft, 1 change')->sees('WS-200 is covered with your draft');
    $person->pressesWith('CONTROL', WebDriverKeys::ENTER);
    Application::await(fn () => $person->focusIsOn('#draft-commit'), 'the focus on Commit');
    $person->presses('ENTER')->sees('Written: T-0521 to Tue 3 Mar.')->clicks("//button[normalize-space()='Undo this commit']")
        ->sees('Undone.');
    expect($person->complaints())->toBe([]);
});

it('moves the wanted day by key until it is complete, drafts it and discards it', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/complete?of=order:M-1047')->sees('Complete Thu 19 Mar')->sees('because of PCB-207')->sees('6 days late');
    $person->focuses("//*[@role='slider']");
    foreach (['Sat 14 Mar', 'Sun 15 Mar', 'Mon 16 Mar', 'Tue 17 Mar', 'Wed 18 Mar', 'Thu 19 Mar'] as $day) {
        $person->presses('ARROW_RIGHT')->sees($day);
    }
    $person->sees('in time.');
    $person->presses('d')->sees('Draft, 1 change');
    $person->opens('/orders?q=M-1047')->sees('Thu 19 Mar')->clicks("//button[normalize-space()='Discard']")->sees('Draft, empty')
        ->seesNot('Thu 19 Mar');
    expect($person->complaints())->toBe([]);
});
