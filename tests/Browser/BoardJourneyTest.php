<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** What the board holds, as the page that is open asks for it. */
function boardNow(): array
{
    return Application::running()->browser()->executeAsyncScript(
        'const done = arguments[arguments.length - 1]; fetch("/board/bars?from=0").then((answer) => answer.json()).then(done);',
    );
}

/** Where the beginning of an operation's bar is in the window, and the bar. */
function barOnBoard(string $of, int $op): array
{
    $board = boardNow();
    $lane = 0;
    foreach ($board['bars'] as $bar) {
        if ($board['orders'][$bar['order']]['of'] === $of && $bar['op'] === $op) {
            for ($centre = 0; $centre < $bar['centre']; $centre++) {
                $lane += $board['centres'][$centre]['units'];
            }
            $lane += $bar['units'][0] - 1;
            [$x, $y, $scale] = Application::running()->browser()->executeScript(
                'const box = document.querySelector("[data-board]"), at = box.getBoundingClientRect(); return [at.left + box.clientLeft - box.scrollLeft, '
                .'at.top + box.clientTop - box.scrollTop, (box.querySelector("div").clientWidth - 112) / (56 * 1440)];',
            );

            return [(int) round($x + 112 + $bar['start'] * $scale + 6), (int) round($y + 30 + $lane * 56 + 25), $bar];
        }
    }
    throw new RuntimeException("{$of} {$op} is not on the board");
}

/** Presses the mouse at one point of the window, and moves it by so much; it is released by the next. */
function drags(int $x, int $y, int $right): void
{
    $move = fn (int $x) => ['type' => 'pointerMove', 'duration' => 50, 'x' => $x, 'y' => $y, 'origin' => 'viewport'];
    mouse([$move($x), ['type' => 'pointerDown', 'button' => 0], $move($x + ($right <=> 0) * 10), $move($x + $right)]);
}

function mouse(array $actions): void
{
    Application::running()->browser()->executeCustomCommand('/session/:sessionId/actions', 'POST', ['actions' => [
        ['type' => 'pointer', 'id' => 'mouse', 'parameters' => ['pointerType' => 'mouse'], 'actions' => $actions],
    ]]);
    usleep(600_000);
}

beforeEach(function () {
    $this->person = Person::signedIn('oskar@marrowby.example');
    $this->person->opens('/schedule')->clicks("//button[normalize-space()='Schedule now']")->sees('As it stands, and scheduled')->presses('k')
        ->sees('This schedule is kept');
    Application::await(fn () => Application::running()->rows(
        "select id from runs where current = 1 and parameters like '%\"schedule\":true%'",
    ) !== [], 'the plan with the shop');
});

it('moves a bar by keyboard, reads what it does, takes it back and commits it', function () {
    $person = $this->person;
    $person->opens('/board?of='.urlencode('order:M-1052'))->sees('Its operations')->sees('Why then:')->focuses('[data-board]');
    [, , $before] = barOnBoard('order:M-1052', 10);
    $person->presses('ENTER', 'ARROW_RIGHT', 'ARROW_RIGHT')->pressesWith('SHIFT', 'ARROW_RIGHT')->sees('ends');
    $person->presses('ENTER')->sees('Draft, 1 change')->sees('put there by hand');
    [, , $after] = barOnBoard('order:M-1052', 10);
    expect($after['start'])->toBeGreaterThan($before['start'])->and($after['place'])->toBe('hand');

    $person->focuses('[data-board]')->pressesWith('CONTROL', 'z')->seesNot('Draft, 1 change');
    expect(barOnBoard('order:M-1052', 10)[2])->toBe($before);
    $person->focuses('[data-board]')->presses('ENTER')->pressesWith('SHIFT', 'ARROW_RIGHT')->sees('ends')->presses('ENTER')->sees('Draft, 1 change')
        ->clicks("//button[normalize-space()='Commit']")->seesNot('Draft, 1 change');
    $row = Application::running()->rows("select w.start_instant, w.fixed from order_operations w join order_lines l on l.id = w.order_line_id where l.code = 'M-1052' and w.op = 10")[0];
    expect((int) $row['fixed'])->toBe(1);

    // and off the board again, to wait for a place
    $person->clicks("//button[normalize-space()='Take it off the board']")->sees('Draft, 1 change')->sees('without a place of')
        ->clicks("//button[normalize-space()='Discard']")->seesNot('Draft, 1 change');
    expect($person->complaints())->toBe([]);
});

it('moves a bar by mouse, and says why it cannot stand where it is dropped', function () {
    $person = $this->person;
    $person->opens('/board?of='.urlencode('order:M-1052'))->sees('Its operations');
    usleep(800_000);
    [$x, $y, $before] = barOnBoard('order:M-1052', 10);
    drags($x, $y, 130);
    mouse([['type' => 'pointerUp', 'button' => 0]]);
    $person->sees('Draft, 1 change')->sees('put there by hand');
    [$x, $y, $moved] = barOnBoard('order:M-1052', 10);
    expect($moved['start'])->toBeGreaterThan($before['start'] + 1000);

    // before its material is there: said while it is dragged, and nothing moves when it is dropped
    usleep(500_000);
    drags($x, $y, -480);
    $person->sees('It cannot stand there: CAS-2 is there only');
    mouse([['type' => 'pointerUp', 'button' => 0]]);
    $person->sees('Nothing was moved.')->sees('Draft, 1 change');
    expect(barOnBoard('order:M-1052', 10)[2])->toBe($moved);
});

it('shows what another has moved, and keeps ones own draft', function () {
    $person = $this->person;
    $person->opens('/board?of='.urlencode('order:M-1052'))->sees('Its operations')->focuses('[data-board]')->presses('ENTER')
        ->pressesWith('SHIFT', 'ARROW_RIGHT')->sees('ends')->presses('ENTER')->sees('Draft, 1 change');
    $other = Person::signedIn('ivo@marrowby.example', true);
    $other->opens('/board?of='.urlencode('order:M-1042'))->sees('Its operations')->focuses('[data-board]')->presses('ARROW_RIGHT')
        ->clicks("//button[normalize-space()='Fix it where it stands']")->sees('Draft,')->clicks("//button[normalize-space()='Commit']")->sees('changes written.');
    $person->sees('meanwhile')->sees('Draft, 1 change');
    expect(Application::running()->rows('select count(*) as number from commits')[0]['number'])->toBe(2);
});
