<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

it('takes a planner from a late customer line to the late purchase, and to a study in which the line is on time', function () {
    $person = Person::signedIn('ivo@marrowby.example');

    // the late line says why
    $person->opens('/demand?late=1')->clicks("//tr[@data-row][.//td[contains(., 'SO-7719/1')]]")->sees('Expected 6 days late.')
        ->sees('order P-3308 comes Tue 10 Mar');

    // the thread leads to the late purchase
    $person->clicks("//a[normalize-space()='Follow down to raw stock']")->sees('Thread of SO-7719/1')->sees('What decides Thu 19 Mar')
        ->sees('on time to the day')
        ->clicks("//button[normalize-space()='Only the hold-up']");
    Application::await(fn () => $person->counts("//div[@role='treeitem']") === 4, 'only the chain');
    $person->clicks("//a[normalize-space()='PCB-207']")->sees('Fennick Circuits')->sees('P-3308');

    // try the purchase a week earlier, and compare
    $person->opens('/thread?of=sales:SO-7719/1')->clicks("//button[normalize-space()='Try P-3308 a week earlier']")
        ->sees('Lines late');
    $line = "//tr[@data-row][contains(., 'SO-7719/1')]";
    expect($person->reads("{$line}/td[6]"))->toBe('on time')->and($person->reads("{$line}/td[7]"))->toBe('6 → 0');
    $person->sees('SO-7724/2')->clicks("//button[starts-with(normalize-space(), 'Messages')]")->sees('Wanted earlier')
        ->clicks("//button[starts-with(normalize-space(), 'Proposals')]")->sees('changed');

    // the study stands beside the live plan, and cannot order
    $person->opens('/studies')->sees('P-3308 a week earlier')->clicks('//tr[@data-row][1]')
        ->clicks("//button[normalize-space()='Look at it']")->sees('Study P-3308 a week');
    $person->opens('/demand?late=1')->sees('SO-7705/1')->seesNot('SO-7719/1');
    $person->opens('/proposals')->sees('By supplier');
    expect($person->counts("//tr[@data-row]//input[@type='checkbox']"))->toBe(0);
    $person->clicks("//button[normalize-space()='Live plan']")->seesNot('Study P-3308');
    $person->opens('/demand?late=1')->sees('SO-7719/1');
    expect($person->complaints())->toBe([]);
});

it('lets the messages be worked through by keyboard', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/messages?kind=push_out')->focuses('[data-row]');
    $first = $person->reads('(//tr[@data-row])[1]/td[2]');
    $person->presses('d');
    Application::await(fn () => $person->focusIsOn('#message-done'), 'the focus on the button');
    $person->presses('ENTER')->sees('Put away: '.substr($first, 0, 20))->sees('1 put away');
    expect($person->counts("//tr[@data-row][td[2][text()=\"{$first}\"]]"))->toBe(0);

    $person->opens('/messages?show=away')->focuses('[data-row]')->sees('Put it back into the list')
        ->clicks("//button[normalize-space()='Put it back into the list']")->sees('Nothing is put away');
    expect($person->complaints())->toBe([]);
});
