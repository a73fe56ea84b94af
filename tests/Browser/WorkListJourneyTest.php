<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

it('lets a person of the floor report by keyboard what was done, and the schedule moves', function () {
    $person = Person::signedIn('wick@marrowby.example');
    $person->opens('/worklist?centre=CAL-1')->sees('operations to come')->sees('M-1042 / 20')->sees('2 done');
    $row = fn () => Application::running()->rows(
        "select w.done, w.start_instant from order_operations w join order_lines l on l.id = w.order_line_id where l.code = 'M-1042' and w.op = 20",
    )[0] ?? null;
    $place = (int) Application::running()->browser()->executeScript(
        'return [...document.querySelectorAll("[data-work]")].findIndex((one) => one.textContent.includes("M-1042 / 20"))',
    );
    $person->focuses("[data-work='{$place}']")->presses('ENTER')->types("//form//input[@aria-label='Good']", '3')
        ->types("//form//input[@aria-label='Scrap']", '1')->types("//form//label[starts-with(normalize-space(), 'Reason of the scrap')]/input", 'seal leaked')
        ->presses('ENTER')->sees('Operation 20 of M-1042 at CAL-1: 3 pcs done; 1 pcs scrapped, seal leaked.')->sees('5 done')->sees('1 scrapped: seal leaked');
    expect((int) $row()['done'])->toBe(5_000_000)->and(substr((string) $row()['start_instant'], 0, 10))->toBe('2026-03-02');

    // what is missing is told from the list
    $person->opens('/worklist?centre=ASM-1')->sees('operations to come');
    $person->clicks("(//button[normalize-space()='Material is missing'])[1]")
        ->types("//li[@data-work]//form//input[@maxlength='190']", 'box is empty')->presses('ENTER')->sees('Noted; the planner sees it on Today.');
    expect(Application::running()->rows("select note from missing_materials where note = 'box is empty'"))->toHaveCount(1);
    $person->opens('/worklist?centre=CAL-1')->sees('M-1042 / 20');

    // more than there is, and nothing else than to report
    $person->focuses("[data-work='{$place}']")->presses('ENTER')->types("//form//input[@aria-label='Good']", '30')->presses('ENTER')
        ->sees('has only 3 pcs left to be done. Nothing was written.');
    expect($person->counts("//button[normalize-space()='Schedule now']"))->toBe(0)->and((int) $row()['done'])->toBe(5_000_000)
        ->and($person->complaints())->toBe([]);
});

it('lets the scheduler put the list into another sequence, as a draft', function () {
    $person = Person::signedIn('oskar@marrowby.example');
    $person->opens('/worklist?centre=ASM-1')->sees('Drag a row')->focuses("[data-work='2']");
    $person->pressesWith('ALT', 'ARROW_UP')->sees('Draft, 1 change')->clicks("//button[normalize-space()='Discard']")->seesNot('Draft, 1 change');
    expect($person->complaints())->toBe([]);
});
