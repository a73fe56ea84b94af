<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** Sales lines of an item with a customer, as order, quantity, day and until when they are held. */
function linesFor(string $customer): array
{
    return array_map(fn (array $row) => [
        (int) $row['qty'] / 1_000_000, substr((string) $row['due'], 0, 10), $row['held_until'] === null ? null : substr((string) $row['held_until'], 0, 10),
    ], Application::running()->rows("select qty, due, held_until from sales_lines where customer = '{$customer}' order by due, id"));
}

it('asks by keyboard, splits, holds and accepts a promise, and drops another without a trace', function () {
    $before = Application::running()->rows('select count(*) as number from sales_lines')[0]['number'];
    $person = Person::signedIn('nell@marrowby.example');
    $person->opens('/demand')->clicks("//nav[@aria-label='Demand']//a[.='Promise']")->sees('Nothing is held for a customer')
        ->types("//input[@aria-label='Item']", 'WS-200')->sees('Weather station, compact, OSK')->presses('ARROW_DOWN')->presses('ENTER')
        ->types("//input[@aria-label='Quantity']", '10')->types("//label[starts-with(normalize-space(), 'Customer')]/input", 'Quay Watch')
        ->presses('ENTER')->sees('not sooner:')->sees('in two parts');
    $person->presses('ARROW_DOWN')->presses('h')->sees('Held until Mon 9 Mar for')->sees('2 lines are held for customers');
    [$first, $second] = linesFor('Quay Watch');
    expect($first[0] + $second[0])->toBe(10)->and($first[1])->toBe('2026-03-02')->and($first[2])->toBe('2026-03-09')->and($second[1])->toBeGreaterThan('2026-03-20');

    // accepted from the list; what is held and not accepted counts, too
    $person->clicks("(//tr[@data-row][1]//button[normalize-space()='Accept'])")->sees('Promised to E-1001 Quay Watch: 3 pcs')->sees('1 line is held for a customer')
        ->clicks("(//tr[@data-row][1]//button[normalize-space()='Accept'])")->sees('Nothing is held for a customer');
    expect(array_column(linesFor('Quay Watch'), 2))->toBe([null, null]);

    // another one, dropped
    $person->types("//input[@aria-label='Item']", 'RS-60')->sees(', OSK')->presses('ARROW_DOWN')->presses('ENTER')
        ->types("//input[@aria-label='Quantity']", '2')->types("//label[starts-with(normalize-space(), 'Customer')]/input", 'Fen Survey')
        ->presses('ENTER')->finds("//section[@aria-label='The answer']")->presses('h')->sees('1 line is held for a customer')
        ->clicks("(//tr[@data-row][1]//button[normalize-space()='Drop'])")->sees('Dropped what was held for')->sees('Nothing is held for a customer');
    expect(linesFor('Fen Survey'))->toBe([])
        ->and(Application::running()->rows('select count(*) as number from sales_lines')[0]['number'])->toBe($before + 2)
        ->and($person->complaints())->toBe([]);
});

it('gives the last pieces to the first of two, tells the second and asks again', function () {
    $ask = fn (Person $person) => $person->opens('/promise')->types("//input[@aria-label='Item']", 'WS-200')->sees('Weather station, compact, OSK')
        ->presses('ARROW_DOWN')->presses('ENTER')->types("//input[@aria-label='Quantity']", '3')->presses('ENTER')->sees('as wished');
    $nell = $ask(Person::signedIn('nell@marrowby.example'));
    $ivo = $ask(Person::signedIn('ivo@marrowby.example', true));
    $nell->presses('a')->sees('Promised to E-1001: 3 pcs WS-200 by Mon 2 Mar');
    $ivo->presses('a')->sees('Others would come later for it')->sees('They may come later')->clicks("//button[normalize-space()='Ask again']")->sees('not sooner:')->seesNot('as wished');
    expect(Application::running()->rows("select count(*) as number from sales_lines where order_code like 'E-%'")[0]['number'])->toBe(1)
        ->and($ivo->complaints())->toBe([]);
});
