<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

const CELL = "//button[contains(@aria-label, 'CAL-1, the week of Mon %s:')]";

it('finds the full weeks of the chamber, understands one down to the forecast behind it, eases it by two remedies and commits them', function () {
    $person = Person::signedIn('oskar@marrowby.example');
    $person->opens('/')->clicks("//nav//a[contains(., 'Capacity')]")->sees('1 work centre is over 100 % in these 12 weeks');
    $person->clicks("//button[normalize-space()='Over 100 %']")->sees('CAL-1')->seesNot('ASM-1');
    expect(array_map(fn (string $week) => $person->readsTrimmed(sprintf(CELL, $week)), ['9 Mar', '23 Mar', '20 Apr']))->toBe(['133 %', '125 %', '108 %']);

    // what it is full of, each order with its arithmetic, and the forecast behind it
    $person->clicks(sprintf(CELL, '20 Apr'))->sees('CAL-1, the week of Mon 20 Apr: 108 %')->sees('Mon to Fri 06:00 to 14:00')
        ->sees('Forecast ')->sees('÷ 90 % =')->sees('A note to sales')->sees('What does not fit:')->sees('There is room again:');

    // two remedies, each with what the week comes to
    $person->clicks("//button[@data-remedy][contains(., 'Open CAL-1 Fri 14:00 to 22:00 too')]")->sees('Draft, 1 change')
        ->sees('CAL-1, the week of Mon 20 Apr: 97 %');
    $person->clicks(sprintf(CELL, '23 Mar'))->sees('CAL-1, the week of Mon 23 Mar: 112 %')->clicks("//button[@data-remedy][contains(., 'Do 2 orders earlier')]")
        ->sees('Draft, 2 changes');
    Application::await(fn () => (int) $person->readsTrimmed(sprintf(CELL, '23 Mar')) <= 100, 'the week to fit');
    $person->clicks("//button[normalize-space()='Commit']")->sees('changes written.')->seesNot('Draft, 2 changes');
    $person->opens('/capacity?over=1');
    Application::await(fn () => $person->counts(sprintf(CELL, '9 Mar')) === 1, 'the load');
    expect((int) $person->readsTrimmed(sprintf(CELL, '23 Mar')))->toBeLessThanOrEqual(100)
        ->and($person->readsTrimmed(sprintf(CELL, '20 Apr')))->toBe('97 %');
    $person->opens('/journal')->clicks("(//button[contains(normalize-space(), 'changes committed')])[1]")->sees('CAL-1 also Fri 14:00 to 22:00');
    expect($person->complaints())->toBe([]);
});

it('says that a machine is down by keyboard, and sees at once what that does to its weeks', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/capacity')->finds(sprintf(CELL, '2 Mar'))->focuses(sprintf(CELL, '2 Mar'))->presses('ENTER')
        ->sees('CAL-1, the week of Mon 2 Mar: 28 %');
    $person->clicks("//summary[normalize-space()='It is down']")->types("//input[@name='down-from']", '3.3')->types("//input[@name='down-to']", '5.3')
        ->types("//input[@name='down-reason']", 'door seal torn')->clicks("//button[normalize-space()='Try it down']")->sees('Draft, 1 change')
        ->sees('door seal torn (all of it), Tue 3 Mar 00:00 to Fri 6 Mar 00:00');
    Application::await(fn () => (int) $person->readsTrimmed(sprintf(CELL, '2 Mar')) > 80, 'the week to be full');
    $person->clicks("//button[normalize-space()='Discard']")->sees('Draft, empty')->sees('CAL-1, the week of Mon 2 Mar: 28 %');
    $person->focuses(sprintf(CELL, '2 Mar'))->presses('ARROW_RIGHT', 'ENTER')->sees('CAL-1, the week of Mon 9 Mar: 133 %')
        ->finds('(//button[@data-remedy])[1]')->presses('1')->sees('Draft, 1 change')->clicks("//button[normalize-space()='Discard']")->sees('Draft, empty');
    expect($person->complaints())->toBe([]);
});
