<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** The first row that a query finds, in the company that is served. */
function firstRow(string $query): array
{
    return Application::running()->rows($query)[0] ?? [];
}

it('buys what is usually made, compared side by side, and orders it by keyboard', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/proposals?until=all&q=BR-2')->clicks("(//tr[@data-row]//span[normalize-space()='BR-2'])[1]")
        ->sees('How to get it, and when it could be here')->sees('Made at Oskerby plant')->sees('6 working days, 26.40 each')
        ->clicks("//label[contains(., 'Greenhay Turning')]/input")->sees('Greenhay Turning for Oskerby plant');
    $person->presses('ESCAPE')->focuses('(//tr[@data-row])[1]')->presses(' ')->sees('1 picked')->sees('1 purchase order')
        ->presses('c')->finds("//button[starts-with(normalize-space(), 'Make 1 order') and not(@disabled)]");
    $person->presses('c')->sees('1 purchase order made.');
    $order = firstRow("select o.kind, o.supplier_code, l.price from orders o join order_lines l on l.order_id = o.id where l.item_code = 'BR-2' and o.created_by is not null");
    $person->opens('/account')->sees('Ivo Marlin'); // nothing is under way any more when somebody else signs in
    expect($order['kind'])->toBe('buy')->and($order['supplier_code'])->toBe('GREENHAY')->and((int) $order['price'])->toBe(26_400_000)
        ->and($person->complaints())->toBe([]);
});

it('lets a proposal rest with a reason, finds it again, and takes it up', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/proposals?until=all&q=PCB-207')->focuses('(//tr[@data-row])[1]')->presses(' ')->sees('1 picked')
        ->clicks("//button[normalize-space()='Put off']")->types("//input[@aria-label='Why it can wait']", 'the drawing changes')
        ->presses('ENTER')->sees('1 proposal put off until')->sees('the drawing changes');
    $person->clicks("//button[contains(., '1 put off')]")
        ->clicks("//tr[@data-row][contains(., 'until Mon 9 Mar')]/td[2]")
        ->sees('Put off until Mon 9 Mar by Ivo Marlin: the drawing changes');
    $person->presses('ESCAPE')->clicks("(//tr[@data-row]//input[@type='checkbox'])[1]")->clicks("//button[normalize-space()='Take up again']")
        ->sees('1 proposal taken up again')->sees('Nothing of it rests');
    $person->opens('/account')->sees('Ivo Marlin'); // nothing is under way any more when somebody else signs in
    expect(firstRow('select count(*) as n from resting_proposals')['n'])->toBe(0)->and($person->complaints())->toBe([]);
});

it('receives what is not to be used yet, frees a part of it, and sends a delivery straight to who waits', function () {
    $stores = Person::signedIn('pell@marrowby.example');
    $form = "//form[contains(@aria-label, 'Received P-3308')]";
    $stores->opens('/orders/P-3308')->types("//input[@aria-label='Received P-3308']", '20')
        ->clicks("{$form}//label[contains(., 'Blocked until somebody has looked at it')]/input")->clicks("{$form}//button[normalize-space()='Receive']")
        ->sees('20 pcs of PCB-207 received with P-3308, blocked.');
    expect((int) firstRow("select blocked from stock where item_code = 'PCB-207' and site_code = 'OSK'")['blocked'])->toBe(20_000_000);
    $stores->opens('/movements')->sees('20 pcs blocked')->clicks("//section[@aria-label='To be looked at']//a")->sees('20 pcs are blocked')
        ->types("//input[starts-with(@aria-label, 'Of 20 blocked')]", '15')->clicks("//button[normalize-space()='Free it again']")->sees('5 pcs are blocked');
    $stores->opens('/orders/P-3340')->sees('straight to M-1061')->clicks("//select[option[contains(., 'straight to M-1061')]]/option[contains(., 'M-1061')]")
        ->clicks("//form[contains(@aria-label, 'Received P-3340')]//button[normalize-space()='Receive']")->sees('straight to M-1061/');
    expect(firstRow("select sum(qty) as qty from movements where order_code = 'M-1061' and kind = 'issue'")['qty'] < 0)->toBeTrue();
    $apart = firstRow('select count(*) as n from stock s where s.qty - s.owed <> (select coalesce(sum(m.qty), 0) from movements m where m.item_code = s.item_code and m.site_code = s.site_code and not m.blocked)');
    $stores->opens('/account')->sees('Pell Corrie'); // nothing is under way any more when somebody else signs in
    expect((int) $apart['n'])->toBe(0)->and($stores->complaints())->toBe([]);
});

it('keeps settings and people, and what they decide holds at once', function () {
    $person = Person::signedIn('rufus@marrowby.example');
    $person->opens('/company')->clicks("//label[contains(., 'More may be taken than the books have')]/input")->clicks("//button[normalize-space()='Write it']")
        ->sees('More may be taken than the books have: no to yes.');
    $person->opens('/people')->types("//form//label[contains(., 'Name')]//input", 'Orla Quist')->types("//input[@type='email']", 'orla@marrowby.example')->presses('ENTER')
        ->sees('Orla Quist may sign in.')->sees('The password, told only now:')->sees('orla@marrowby.example');
    $person->clicks("//button[@aria-label='Retire Orla Quist']")->sees('Take their way in?')->clicks("//*[@role='dialog']//button[normalize-space()='Retire']")
        ->sees('Orla Quist does not sign in any more.')->sees('retired on');
    $person->opens('/journal')->sees('Orla Quist does not sign in any more');
    // more is shipped than the books have, once that is said
    $item = firstRow("select order_code, line, item_code, qty from sales_lines where order_code = 'SO-7708' and line = '2'");
    $person->opens('/demand?q=SO-7708')->clicks("//tr[@data-row][contains(., 'SO-7708/2')]")->finds("//input[@aria-label='Shipped']");
    $person->clicks("//button[normalize-space()='Ship']")->sees('Take more than the books have?')->clicks("//*[@role='dialog']//button[normalize-space()='Take it']")
        ->sees("of {$item['item_code']} shipped on SO-7708/2");
    $person->opens('/movements')->sees('beyond the books');
    $person->opens('/account')->sees('Rufus Oake'); // nothing is under way any more when somebody else signs in
    expect($person->complaints())->toBe([]);
});

it('puts sales lines under their customers, ships those on stock together, and tries the rest on another day', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/demand?by=customer&q=SO-77')->sees('Ashdown Weather Club')->clicks("//input[@aria-label='Pick SO-7770/2']")
        ->clicks("//input[@aria-label='Pick SO-7740/1']")->sees('2 sales lines picked')->clicks("//button[normalize-space()='Ship the one on stock']")
        ->sees('shipped on SO-7770/2')->seesNot('2 sales lines picked');
    $person->clicks("//input[@aria-label='Pick SO-7740/1']")->types("//input[@id='bulk-day']", '27.3')->presses('TAB')
        ->clicks("//button[normalize-space()='Try it on that day']")->sees('Draft, 1 change')->clicks("//button[normalize-space()='Discard']")->seesNot('Draft, 1 change');
    $person->opens('/account')->sees('Ivo Marlin'); // nothing is under way any more when somebody else signs in
    expect((int) firstRow("select shipped from sales_lines where order_code = 'SO-7770' and line = '2'")['shipped'])->toBeGreaterThan(0)
        ->and($person->complaints())->toBe([]);
});

it('takes a customer\'s new line, sees what it does before it is written, and takes it back from its history', function () {
    $person = Person::signedIn('nell@marrowby.example');
    $person->opens('/demand')->clicks("//button[normalize-space()='New sales line']")->types("//form[@aria-label='A new sales line']//label[contains(., 'Customer')]//input", 'Tern Harbour')
        ->types("//input[@aria-label='Item and site']", 'WS-410')->clicks("(//*[@role='option'][contains(., 'WS-410')])[1]")
        ->types("//form[@aria-label='A new sales line']//input[@aria-label='Quantity']", '2')->presses('ENTER')->sees('Draft, 1 change')
        ->clicks("//button[normalize-space()='Commit']")->seesNot('Draft, 1 change');
    $made = firstRow("select order_code, line, qty from sales_lines where item_code = 'WS-410' order by id desc limit 1");
    expect((int) $made['qty'])->toBe(2_000_000);
    $person->opens("/demand?q={$made['order_code']}")->sees("{$made['order_code']}/1")->clicks("//summary[contains(., 'What was changed, and by whom')]")
        ->sees('2 pcs of WS-410 for Tern Harbour')->clicks("//details//button[normalize-space()='Undo']")->sees('Undone');
    $person->opens('/account')->sees('Nell Harrow'); // nothing is under way any more when somebody else signs in
    expect(firstRow("select count(*) as n from sales_lines where order_code = '{$made['order_code']}'")['n'])->toBe(0)->and($person->complaints())->toBe([]);
});
