<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** Waits until the focus is on a row, counted from 0. */
function onRow(Person $person, int $row): void
{
    Application::await(fn () => $person->focusIsOn("//*[@data-row='{$row}']"), "the focus on row {$row}");
}

it('enters every list with Down, moves by the keys of a grid, and leaves it with one Tab', function (string $path, string $sees) {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens($path)->sees($sees)->find('//*[@data-row]');
    $rows = (int) $person->find('//table[@aria-rowcount]')->getAttribute('aria-rowcount') - 1; // not all of them are drawn
    expect($rows)->toBeGreaterThan(1);
    $person->presses('ARROW_DOWN');
    onRow($person, 0);
    $person->presses('ARROW_DOWN');
    onRow($person, 1);
    $last = "//*[@data-row='".($rows - 1)."']"; // of a long list the key goes on page by page
    Application::await(fn () => $person->presses('END')->counts($last) > 0 && $person->focusIsOn($last), 'the focus on the last row');
    $person->presses('HOME');
    onRow($person, 0);
    expect($person->counts("//*[@data-row][@tabindex='0']"))->toBe(1)
        ->and($person->counts("//*[@data-row][@tabindex='-1']//a[not(@tabindex='-1')]"))->toBe(0)
        ->and($person->complaints())->toBe([]);
})->with([
    'orders' => ['/orders', 'P-3318'],
    'sales lines' => ['/demand', 'SO-7702/1'],
    'messages' => ['/messages', 'to work through'],
    'shortages' => ['/shortages', 'PCB-061'],
    'reservations' => ['/reservations', 'SO-7702/1'],
    'proposals' => ['/proposals', 'By supplier'],
    'pegging' => ['/pegging?of=sales:SO-7719/1', 'Served by'],
]);

it('says whom a conversion would make wait, and takes along what prevents it, by keyboard', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/proposals?until=all&by=item&q=BR-2')->find('(//*[@data-row])[3]');
    $rows = $person->counts('//*[@data-row]');
    $person->presses('ARROW_DOWN', 'ARROW_DOWN', 'ARROW_DOWN');
    onRow($person, 2);
    $person->presses(' ')->sees('1 picked')->presses('c')->finds("//button[starts-with(normalize-space(), 'Make ') and kbd and not(@disabled)]")
        ->presses('c')->sees('would come later')->sees('Nothing has been ordered yet.')->sees('Nobody waits if');
    Application::await(fn () => $person->focusIsOn("//button[starts-with(., 'Take ')]"), 'the focus on the way out');

    // back, and nothing has happened
    $person->presses('ESCAPE')->seesNot('would come later');
    expect($person->counts('//*[@data-row]'))->toBe($rows);

    $person->presses('c')->sees('would come later')->presses('ENTER')->sees('made.');
    Application::await(fn () => $person->counts('//*[@data-row]') < $rows - 1, 'the proposals to leave the list');

    // and back, as a whole, for whoever comes after
    $person->opens('/journal')->clicks("(//button[starts-with(@aria-label, 'Undo: ')])[1]")->sees('undone');
    $person->opens('/proposals?until=all&by=item&q=BR-2')->find('(//*[@data-row])[3]');
    expect($person->counts('//*[@data-row]'))->toBe($rows)->and($person->complaints())->toBe([]);
});

it('types a day as one says it, and keeps the one before where it is none', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/orders?q=P-3318')->clicks('//tr[@data-row]')->clicks("//summary[contains(., 'The supplier calls')]")
        ->types("//input[@name='draft-due']", '32.3')->sees('This is no day.');
    expect($person->find("//button[normalize-space()='Try it']")->isEnabled())->toBeFalse();
    $person->presses('ESCAPE')->seesNot('This is no day.');
    expect($person->reads("//input[@name='draft-due']"))->toBe('Mon 2 Mar');
    $person->types("//input[@name='draft-due']", '+9')->clicks("//button[normalize-space()='Try it']")->sees('P-3318 to Wed 11 Mar')
        ->clicks("//button[normalize-space()='Discard']")->sees('Draft, empty');
});
