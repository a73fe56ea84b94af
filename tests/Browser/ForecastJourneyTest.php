<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** A cell of the forecast that is shown, by its place. */
function figureAt(int $row, int $column): string
{
    return "//input[@data-cell='{$row}:{$column}']";
}

/** @param  array<string, string>  $figures  by place, as "row:column" */
function seesFigures(Person $person, array $figures): void
{
    foreach ($figures as $place => $figure) {
        Application::await(fn () => $person->find(figureAt(...array_map(intval(...), explode(':', $place))))->getAttribute('value') === $figure, "{$figure} at {$place}");
    }
}

it('keeps a forecast by key as one does in a spreadsheet: typed, filled, changed by percent, copied in blocks, taken back', function () {
    $person = Person::signedIn('nell@marrowby.example');
    $person->opens('/demand?view=forecast')->sees('consumed');

    // a new one, named and with its purpose, and two items in it
    $person->focuses("//button[normalize-space()='New forecast']")->presses('ENTER')->sees('A new forecast');
    Application::await(fn () => $person->focusIsOn("//input[ancestor::label[contains(., 'Name')]]"), 'the focus on the name');
    $person->presses(...[...str_split('FAIR'), 'TAB', ...str_split('What the fair brings'), 'ENTER'])->sees('What the fair brings')->sees('not counted in the live plan');
    $person->focuses("//button[normalize-space()='Add an item']")->presses('ENTER')->sees('Kept in');
    foreach (['WS-200', 'WS-300'] as $item) {
        $person->focuses("//input[@aria-label='Item']")->presses(...str_split($item));
        $person->focuses("//input[@aria-label='Site']")->pressesWith('CONTROL', 'a')->presses(...str_split('OSK'))->presses('ENTER')->sees("{$item}");
        Application::await(fn () => $person->find("//input[@aria-label='Item']")->getAttribute('value') === '', "{$item} in the forecast");
    }
    $person->focuses("//aside//button[@aria-label='Close']")->presses('ENTER');

    // typed, Enter goes down; from where one is, over the block, by key
    $person->focuses(figureAt(0, 14))->presses('8', 'ENTER', '1', '0', 'ENTER');
    seesFigures($person, ['0:14' => '8', '1:14' => '10']);
    $person->presses('ARROW_UP');
    foreach (['ARROW_RIGHT', 'ARROW_RIGHT', 'ARROW_DOWN'] as $key) {
        $person->pressesWith('SHIFT', $key);
    }
    $person->sees('6 figures chosen')->presses('f');
    seesFigures($person, ['0:15' => '8', '0:16' => '8', '1:15' => '10', '1:16' => '10']);
    $person->sees('54 in all')->presses('%')->presses(...str_split('+25'))->presses('ENTER');
    seesFigures($person, ['0:14' => '10', '0:16' => '10', '1:15' => '13', '1:16' => '13']);
    $person->pressesWith('CONTROL', 'z');
    seesFigures($person, ['0:14' => '8', '0:16' => '8', '1:15' => '10', '1:16' => '10']);
    $person->pressesWith('CONTROL', 'y');
    seesFigures($person, ['0:14' => '10', '1:16' => '13']);

    // a block goes to other periods; what is larger than the room there is refused whole
    $person->pressesWith('CONTROL', 'c')->presses('ARROW_UP');
    foreach (range(1, 4) as $ignored) {
        $person->presses('ARROW_RIGHT');
    }
    $person->pressesWith('CONTROL', 'v');
    seesFigures($person, ['0:20' => '10', '0:22' => '10', '1:21' => '13']);
    $person->presses('DELETE');
    seesFigures($person, ['0:20' => '', '1:22' => '']);
    $person->presses('END')->pressesWith('CONTROL', 'v')->sees('there is room for 2 by 1');

    // over time, with what it does
    $person->focuses("//button[starts-with(normalize-space(), 'Over time')]")->presses('ENTER')->sees('Forecast against what was ordered')
        ->sees('The live plan does not count this forecast.');
    expect($person->complaints())->toBe([]);
    $person->opens('/account')->sees('Nell');
});

it('loses nothing where two people type into one cell', function () {
    $nell = Person::signedIn('nell@marrowby.example');
    $ivo = Person::signedIn('ivo@marrowby.example', second: true);
    $cell = "//input[@aria-label='Forecast of TX-5 from 11 May']";
    $nell->opens('/demand?view=forecast&q=TX-5')->sees('consumed');
    $ivo->opens('/demand?view=forecast&q=TX-5')->sees('consumed');
    $nell->focuses($cell)->presses('5', 'ENTER')->sees('1 change since');
    $ivo->focuses($cell)->presses('6', 'ENTER')->sees('Someone else has put 5 pcs there meanwhile. Your 6 pcs was not taken');
    Application::await(fn () => $ivo->find($cell)->getAttribute('value') === '5', 'the figure of the other');
    $ivo->focuses($cell)->presses('6', 'ENTER')->sees('2 changes since');
    expect($nell->complaints())->toBe([]);
    $nell->opens('/account')->sees('Nell');
    $ivo->opens('/account')->sees('Ivo');
});
