<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** Where the operations of orders stand, by order and number. */
function standingPlaces(): array
{
    $rows = Application::running()->rows(
        'select l.code, w.op, w.work_centre_code, w.units, w.start_instant from order_operations w join order_lines l on l.id = w.order_line_id '
        .'where w.start_instant is not null order by l.code, w.op',
    );

    return array_combine(array_map(fn (array $row) => "{$row['code']}/{$row['op']}", $rows), array_map(
        fn (array $row) => "{$row['work_centre_code']} {$row['units']} {$row['start_instant']}", $rows,
    ));
}

it('schedules the shop, sees a machine break down, schedules anew, and one line stays late and says why', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/capacity')->clicks("//nav[@aria-label='Capacity']//a[.='Schedule']")->sees('No order has a place in the shop yet')
        ->clicks("//button[normalize-space()='Schedule now']")->sees('As it stands, and scheduled')->sees('Days late by urgency');
    $person->clicks("//button[starts-with(normalize-space(), 'Keep it for')]")->sees('The plan is made anew with it.')->sees('This schedule is kept')
        ->sees('Orders stand in the shop');
    $kept = standingPlaces();
    expect(count($kept))->toBeGreaterThan(10);
    Application::await(fn () => Application::running()->rows(
        "select id from runs where current = 1 and parameters like '%\"schedule\":true%'",
    ) !== [], 'the plan with the shop');

    // the chamber is down for four days: who is late now is seen before anything is written
    $person->opens('/capacity')->clicks("//button[contains(@aria-label, 'CAL-1, the week of Mon 9 Mar:')]")->sees('CAL-1, the week of Mon 9 Mar')
        ->clicks("//summary[normalize-space()='It is down']")->types("//input[@name='down-from']", '9.3')->types("//input[@name='down-to']", '12.3')
        ->types("//input[@name='down-reason']", 'door seal torn')->clicks("//button[normalize-space()='Try it down']")->sees('Draft, 1 change')
        ->sees('days late');
    $late = fn () => (int) preg_replace('/\D/', '', $person->readsTrimmed("//*[contains(@title, 'Days late in all')]//strong"));
    $down = $late();
    expect($down)->toBeGreaterThan(30);
    $person->clicks("//button[normalize-space()='Commit']")->seesNot('Draft, 1 change');

    // scheduled anew it is better than with all that stands pushed out, and kept
    $person->opens('/schedule')->clicks("//button[normalize-space()='Schedule now']")->sees('As it stands, and scheduled');
    $days = fn (int $row) => (int) $person->readsTrimmed("(//table)[1]/tbody/tr[{$row}]/td[count((//table)[1]//th[.='Days late in all']/preceding-sibling::*)]");
    expect($days(1))->toBe($down)->and($days(2))->toBeLessThan($down);
    $person->presses('k')->sees('The plan is made anew with it.');
    expect(standingPlaces())->not->toBe($kept);

    // a line stays late, and says why: on Today, in its thread, with the operations of what it waits for
    Application::await(function () use ($person): bool {
        $person->opens('/');

        return $person->counts("//*[contains(., 'no capacity at CAL-1')]") > 0 && $person->counts("//*[contains(., 'The plan is up to date')]") > 0;
    }, 'the plan');
    preg_match('~SO-\d+/\d+~', $person->reads("(//li[contains(., 'no capacity at CAL-1')])[1]"), $line);
    $person->clicks("(//a[contains(., 'See why')])[1]")->sees('no capacity at CAL-1')->opens("/thread?of=sales:{$line[0]}")->sees('no capacity at CAL-1')
        ->clicks("(//button[starts-with(@aria-label, 'Operations of')])[1]")->sees('Waited before')->sees('CAL-1 unit 1');
    expect($person->complaints())->toBe([]);
});

it('takes an urgent order in, by keyboard where it can, and leaves the frozen days as they are', function () {
    $person = Person::signedIn('oskar@marrowby.example');
    $person->opens('/schedule')->clicks("//button[normalize-space()='Schedule now']")->sees('As it stands, and scheduled')->presses('k')
        ->sees('This schedule is kept');
    $before = standingPlaces();
    $frozen = array_filter($before, fn (string $place) => substr($place, -16, 10) < '2026-03-07');
    expect($frozen)->not->toBeEmpty();

    // urgent, done by the tenth: two changes of the draft, committed
    $person->opens('/orders?kind=make')->clicks("//input[@aria-label='Pick M-1051']")->clicks("//button[normalize-space()='Make most urgent']")
        ->sees('Draft, 1 change')->types("//input[@id='bulk-day']", '10.3')->presses('TAB')->clicks("//button[normalize-space()='Finish by']")
        ->sees('Draft, 2 changes')->clicks("//button[normalize-space()='Commit']")->seesNot('Draft, 2 changes');

    $person->opens('/schedule')->clicks("//select[option[.='The most urgent goes first']]/option[.='The most urgent goes first']")
        ->types("//label[contains(., 'Kept in place for')]/input", '5')->clicks("//button[normalize-space()='Schedule now']")
        ->sees('the most urgent goes first')->sees('5 days frozen')->sees('As it stands, and scheduled');
    $person->presses('k')->sees('This schedule is kept');
    $after = standingPlaces();
    expect(array_intersect_key($after, $frozen))->toBe($frozen);
    $last = fn (array $places) => max(array_map(
        fn (string $place) => substr($place, -16),
        array_filter($places, fn (string $name) => str_starts_with($name, 'M-1051/'), ARRAY_FILTER_USE_KEY),
    ));
    expect($last($after))->toBeLessThan($last($before));

    // and back: one line of the journal
    $person->clicks("//button[normalize-space()='Undo']")->sees('Undone');
    expect(standingPlaces())->toBe($before)->and($person->complaints())->toBe([]);
});
