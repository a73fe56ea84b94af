<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverDimension;
use Tests\Browser\Application;
use Tests\Browser\Person;

/*
 * Every main view is held against WCAG 2.2 A and AA by axe-core, as it comes and with what opens on it; at 1280 px, and as at 200 % zoom,
 * which leaves half of them.
 */

/** What axe-core finds wrong on the page: rule and where; the ends of a focus trap that nobody sees are left out. */
function violations(): array
{
    $browser = Application::running()->browser();
    $browser->executeScript((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));
    $browser->manage()->timeouts()->setScriptTimeout(30);

    return $browser->executeAsyncScript(<<<'JS'
        const done = arguments[arguments.length - 1];
        const tags = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22a', 'wcag22aa'];
        axe.run({ exclude: [['[data-headlessui-focus-guard]'], ['[id^=headlessui-focus-sentinel]']] }, { runOnly: { type: 'tag', values: tags }, resultTypes: ['violations'] }).then((result) => done(
            result.violations.flatMap((one) => one.nodes.slice(0, 3).map((node) => `${one.id}: ${node.target.join(' ')} ${node.html.slice(0, 160)}`)),
        ));
        JS);
}

/** Pixels by which the document is higher than the window: only what is in the frame scrolls. */
function beyondTheFrame(): int
{
    return (int) Application::running()->browser()->executeScript('return document.documentElement.scrollHeight - innerHeight');
}

const VIEWS = [
    'Today' => ['/', 'Needs you', []],
    'Sales lines' => ['/demand', 'SO-7702/1', ['//tr[@data-row][1]/td[1]']],
    'Forecast' => ['/demand?view=forecast', 'consumed', []],
    'Jobs' => ['/jobs', 'Sandwick quay masts', []],
    'Job' => ['/jobs?job=J-41', 'Foundations and masts', ['(//tr[@data-row])[2]/td[3]', '(//tr[@data-row]//input)[1]']],
    'Costs' => ['/costs?item=PCB-207&to=60', 'instead of', ['(//tr[@data-row])[3]/td[1]']],
    'Two structures' => ['/structures?first=WS-400&second=WS-410', 'alike', []],
    'Promise' => ['/promise', 'Held for customers', []],
    'Plan' => ['/plan?q=PCB', 'PCB-207', ["(//*[@role='gridcell'])[5]"]],
    'Item' => ['/item?item=PCB-207&at=OSK', 'PCB-207', []],
    'Load' => ['/capacity', 'CAL-1', ["(//button[@data-cell='2:1'])[1]"]],
    'Board' => ['/board?of=order:M-1047', 'Its operations', ['(//button[starts-with(., "Why then")])[1]']],
    'Board as a list' => ['/board', 'centres', ["//button[normalize-space()='As a list']"]],
    'Work list' => ['/worklist?centre=CAL-1', 'operations to come', ["(//button[normalize-space()='Report'])[1]"]],
    'Schedule' => ['/schedule', 'Nothing has been scheduled yet', []],
    'Shortages' => ['/shortages', 'PCB-061', ['(//tr[@data-row])[1]']],
    'When is it complete' => ['/complete?of=order:M-1047', 'decides the day', []],
    'Thread' => ['/thread?of=sales:SO-7719/1', 'What decides', []],
    'Pegging' => ['/pegging?of=sales:SO-7719/1', 'Served by', []],
    'Reservations' => ['/reservations', 'SO-7702/1', ['(//tr[@data-row])[1]']],
    'Proposals' => ['/proposals', 'By supplier', ['(//tr[@data-row])[1]/td[2]']],
    'Orders' => ['/orders', 'P-3318', ['(//tr[@data-row])[1]']],
    'Order' => ['/orders/P-3308', 'P-3308', []],
    'Orders under headings' => ['/orders?kind=buy&by=supplier', 'Brantlow Components', ["//input[@aria-label='Pick P-3312']"]],
    'Sales lines under customers' => ['/demand?by=customer', 'Ashdown Weather Club', ["//input[@aria-label='Pick SO-7727/1']"]],
    'Proposals put off' => ['/proposals?rest=1', 'Nothing of it rests', []],
    'Requests' => ['/requests', 'Nothing waits for purchasing', []],
    'To chase' => ['/chase', 'not confirmed', ['(//tr[@data-row]//input)[1]']],
    'Letters' => ['/letters', 'No letter fits', []],
    'Movements' => ['/movements', 'Imported', []],
    'Count' => ['/count', 'Nothing is counted yet', []],
    'Data' => ['/data?kind=planning', 'Planning data', ['(//tr[@data-row])[1]/td[2]', '(//tr[@data-row]//input)[1]']],
    'All about an item' => ['/about?of=items&code=PCB-207', 'Prices by quantity', ["(//section[@aria-label='Offers']//tbody/tr)[1]"]],
    'All about a supplier' => ['/about?of=suppliers&code=FENNICK', 'Offers', []],
    'A table brought in' => ['/data?kind=items&opens=bring', 'or a file: XLSX or CSV', []],
    'Calendar' => ['/calendar?code=DELTA', 'working days in', ["//button[@data-day='2026-07-15']"]],
    'Structure' => ['/structure?item=SH-41', 'Sensing module', ['(//tr[@data-row])[1]']],
    'Messages' => ['/messages', 'to work through', ['(//tr[@data-row])[1]']],
    'Studies' => ['/studies?open=new', 'Studies', []],
    'Compare' => ['/compare', 'Compare', []],
    'Journal' => ['/journal', 'Journal', []],
    'Account' => ['/account', 'Another password', []],
];

it('has nothing that keeps people out', function (string $path, string $sees, array $opens) {
    $browser = Application::running()->browser();
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens($path)->sees($sees);
    usleep(300_000);
    expect(violations())->toBe([], 'at 1280')->and(beyondTheFrame())->toBe(0, 'beyond the frame');
    foreach ($opens as $where) {
        $person->clicks($where);
        usleep(600_000);
        expect(violations())->toBe([], "with {$where} picked")->and(beyondTheFrame())->toBe(0, "beyond the frame with {$where} picked");
    }
    $size = $browser->manage()->window()->getSize();
    $browser->manage()->window()->setSize(new WebDriverDimension(640, 560));
    try {
        usleep(400_000);
        expect(violations())->toBe([], 'as at 200 %');
    } finally {
        $browser->manage()->window()->setSize($size);
    }
})->with(VIEWS);

it('has nothing that keeps administrators out of their pages', function (string $path, string $sees) {
    Person::signedIn('rufus@marrowby.example')->opens($path)->sees($sees);
    usleep(400_000);
    expect(violations())->toBe([]);
})->with([['/company', 'More than ordered'], ['/people', 'people sign in'], ['/account', 'Where you are signed in']]);

it('has nothing that keeps people out of its menus, dialogs and the draft', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $check = function (string $what): void {
        usleep(400_000);
        expect(violations())->toBe([], $what);
    };
    $person->opens('/orders?q=P-3340')->clicks("//button[normalize-space()='Run']")->sees('Run now');
    $check('the run panel');
    $person->presses('ESCAPE')->clicks("//button[contains(., 'Live plan')]")->sees('Studies');
    $check('the plan chip');
    $person->presses('ESCAPE')->clicks("//button[contains(., 'All sites')]");
    $check('the sites');
    $person->presses('ESCAPE')->pressesWith('CONTROL', 'k')->presses(...str_split('pcb'));
    $check('the search');
    $person->presses('ESCAPE')->opens('/orders?q=P-3340')->clicks('//tr[@data-row]')->clicks("//summary[contains(., 'The supplier calls')]")
        ->types("//input[@name='draft-due']", '11.3')->clicks("//button[normalize-space()='Try it']")->sees('Draft, 1 change');
    $person->clicks("//section[@aria-label='Draft']//button[@aria-expanded]");
    $check('the draft');
    $person->opens('/proposals?until=all&by=item&q=BR-2')->find('(//*[@data-row])[3]');
    $person->presses('ARROW_DOWN', 'ARROW_DOWN', 'ARROW_DOWN', ' ')->sees('1 picked')->presses('c')
        ->finds("//button[starts-with(normalize-space(), 'Make ') and kbd and not(@disabled)]");
    $check('what will be ordered');
    $person->presses('c')->sees('would come later');
    $check('a dialog');
});

it('keeps still for who wants nothing to move', function () {
    $css = (string) file_get_contents(dirname(__DIR__, 2).'/resources/css/app.css');
    expect($css)->toContain('prefers-reduced-motion');
});
