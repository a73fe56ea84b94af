<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** Presses what a button says, by key. */
function pressButton(Person $person, string $says): Person
{
    return $person->focuses("//button[normalize-space()='{$says}']")->presses('ENTER');
}

/** Types into a field of the form in the panel. */
function fills(Person $person, string $field, string $text): void
{
    $person->focuses("//aside//input[@aria-label='{$field}']")->pressesWith('CONTROL', 'a')->presses(...str_split($text));
}

it('takes a job by key from its first line to what is issued to it, approved in between, and plans only what is approved', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/jobs')->sees('Sandwick quay masts');

    // a job, then two lines of it: one of an item, one that only has a name; written together
    pressButton($person, 'New job')->sees('New: job');
    fills($person, 'Job', 'J-50');
    fills($person, 'Name', 'Pier lights');
    fills($person, 'Customer', 'Pier 9 Supply');
    $person->presses('ENTER')->sees('Draft, 1 change')->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('Written: ');
    $person->opens('/jobs?job=J-50')->sees('This job needs nothing yet');
    pressButton($person, 'New line')->sees('New: line of a job');
    foreach (['Item' => 'BAT-7', 'Site' => 'OSK', 'Quantity' => '3', 'Due' => '13.4'] as $field => $text) {
        fills($person, $field, $text);
    }
    $person->presses('ENTER')->sees('Draft, 1 change');
    pressButton($person, 'New line')->sees('New: line of a job');
    foreach (['Line' => '20', 'What it will be' => 'A lens of some kind', 'Site' => 'OSK', 'Quantity' => '1', 'Due' => '20.4', 'Estimated cost of one' => '150'] as $field => $text) {
        fills($person, $field, $text);
    }
    $person->presses('ENTER')->sees('Draft, 2 changes')->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('not approved')->sees('placeholder');

    // approved: planned from the next run on
    pressButton($person, 'Approve 1 line')->sees('Job J-50, approved: 10')->sees('not planned yet');
    $person->clicks("//button[normalize-space()='Run']")->sees('All levels')->clicks("//button[normalize-space()='Run now']")->sees('The new plan is live');
    $person->presses('ESCAPE')->opens('/jobs?job=J-50')->sees('approved lines complete')->seesNot('not planned yet');

    // the placeholder gets an item
    $person->focuses('(//tr[@data-row])[2]')->presses('ENTER')->sees('A placeholder: give it an item before it is approved.');
    pressButton($person, 'Replace or change it');
    fills($person, 'Item', 'BAT-7');
    $person->presses('ENTER')->sees('Draft, 1 change')->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->seesNot('placeholder');

    // and stock is issued to the first, and taken back
    $person->opens('/jobs?job=J-50')->focuses('(//tr[@data-row])[1]')->presses('ENTER')->sees('Issued to J-50');
    $person->focuses("//aside//input[@inputmode='decimal']")->pressesWith('CONTROL', 'a')->presses('2', 'ENTER')->sees('2 pcs of BAT-7 issued to job line J-50/10.');
    Application::await(fn () => array_values(Application::running()->rows("select issued from job_lines where job_code = 'J-50' and line = '10'")[0])[0] == 2_000_000, 'two issued');
    expect($person->complaints())->toBe([]);
    $person->opens('/account')->sees('Ivo');
});
