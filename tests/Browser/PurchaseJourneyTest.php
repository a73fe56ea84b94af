<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** @return array<string, mixed> the one row that a query finds */
function theRow(string $query): array
{
    $rows = Application::running()->rows($query);
    expect($rows)->toHaveCount(1);

    return $rows[0];
}

it('goes from a late part to its delivery: compared, handed over, bundled, sent, confirmed late, received in two parts', function () {
    // the planner compares suppliers of a part and hands three purchases of one supplier over
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/proposals?until=all&q=BAT')->sees('Amberley Cells');
    $person->clicks("(//tr[@data-row]//span[normalize-space()='BAT-7'])[1]")->sees('How to get it, and when it could be here')->sees('in time')->sees('in all');
    foreach (['BAT-7', 'BAT-12', 'BAT-L'] as $item) {
        $person->clicks("(//tr[@data-row][contains(., '{$item} ')]//input[@type='checkbox'])[1]");
    }
    $person->presses('ESCAPE');
    $person->focuses('(//tr[@data-row])[1]')->presses('c')->sees('Hand purchases to purchasing as requests')
        ->clicks("//label[contains(., 'Hand purchases to purchasing')]/input")->types("//input[@aria-label='What purchasing should know']", 'spring build')
        ->sees('3 requests')->clicks("//button[starts-with(normalize-space(), 'Hand over 3')]");
    $person->sees('3 requests handed to purchasing.');
    // the buyer sees whom each is for and makes one order of them, by keyboard
    $buyer = Person::signedIn('lena@marrowby.example');
    $buyer->opens('/')->sees('wait for purchasing')->opens('/requests')->sees('3 wait for purchasing')->sees('Amberley Cells, OSK');
    $buyer->clicks('(//tr[@data-row])[1]')->sees('Asked for by Ivo Marlin: spring build')->sees('Whom it is for');
    $buyer->clicks("//input[@aria-label='All of Amberley Cells, OSK']")->focuses('(//tr[@data-row])[1]')->presses('o')->sees('1 purchase order made.');
    $order = theRow("select code, id from orders where kind = 'buy' and created_by is not null and is_request = 0");
    $code = (string) $order['code'];
    $lines = Application::running()->rows("select code, item_code, qty, due from order_lines where order_id = {$order['id']} order by number");
    expect($lines)->toHaveCount(3);
    // it goes to the supplier: the mail is in the box, with his codes on paper and in the file for his programs
    $buyer->opens("/orders/{$code}")->sees('Firm')->types('//textarea', 'Please mark the boxes.')->clicks("//button[normalize-space()='Send by mail']")
        ->sees("{$code} sent to Amberley Cells by mail, version 1.")->sees('Sent');
    $mail = theRow('select recipient, subject, message from mailbox');
    expect($mail['subject'])->toBe("Purchase order {$code}")->and($mail['message'])->toContain("{$code}.pdf")->toContain("{$code}.xml");
    preg_match("/filename={$code}\\.xml.*?\r?\n\r?\n(.*?)\r?\n--/s", (string) $mail['message'], $part);
    $xml = simplexml_load_string((string) base64_decode($part[1] ?? '', true));
    expect($xml)->not->toBeFalse();
    $theirs = theRow("select their_code from supplier_items where item_code = '{$lines[0]['item_code']}' and supplier_code = 'AMBERLEY'")['their_code'] ?? '';
    expect((string) $xml->asXML())->toContain((string) $theirs);
    // he confirms one line two days late; who slips is seen in the draft before it is accepted
    $late = date('Y-m-d', strtotime(substr((string) $lines[0]['due'], 0, 10).' +2 days'));
    $buyer->types("//input[@aria-label='Confirmed day of {$lines[0]['code']}']", $late)->presses('ENTER')
        ->clicks("//button[normalize-space()='Keep what is confirmed']")->sees('of them otherwise than asked')->sees('instead:')->sees('Confirmed');
    $buyer->clicks("//button[normalize-space()='Draft it, to see who slips']")->sees('Draft, 1 change')->sees('days late')
        ->clicks("//button[normalize-space()='Discard']")->seesNot('Draft, 1 change');
    $buyer->clicks("//button[normalize-space()='Accept the difference']")->sees('as its supplier confirmed it')->seesNot('instead:')
        ->opens('/account')->sees('Lena Quist'); // nothing is under way any more when somebody else signs in
    expect(substr((string) theRow("select due from order_lines where code = '{$lines[0]['code']}'")['due'], 0, 10))->toBe($late);
    // the stores receive it in two parts; each stands in the ledger
    $stores = Person::signedIn('pell@marrowby.example');
    $all = (int) $lines[0]['qty'] / 1_000_000;
    $stores->opens("/orders/{$code}")->types("//input[@aria-label='Received {$lines[0]['code']}']", '10')->presses('ENTER')
        ->sees("10 pcs of {$lines[0]['item_code']} received with {$lines[0]['code']}.")->sees('Partly here')
        ->clicks("//form[contains(@aria-label, 'Received {$lines[0]['code']}')]//button[normalize-space()='Receive']")
        ->sees(($all - 10)." pcs of {$lines[0]['item_code']} received with {$lines[0]['code']}.");
    $moved = Application::running()->rows("select qty from movements where order_code = '{$lines[0]['code']}' order by id");
    expect(array_map(fn (array $row) => (int) $row['qty'] / 1_000_000, $moved))->toBe([10, $all - 10]);
    expect($person->complaints())->toBe([])->and($buyer->complaints())->toBe([])->and($stores->complaints())->toBe([]);
});

it('chases suppliers, one letter for each, and gives a request back with a reason', function () {
    $buyer = Person::signedIn('lena@marrowby.example');
    $buyer->opens('/chase')->sees('To chase')->clicks("(//input[starts-with(@aria-label, 'All of')])[1]")->clicks("//button[starts-with(normalize-space(), 'Write to 1 supplier')]")
        ->sees('1 letter about what is owed')->opens('/letters')->sees('Our open orders with you')->clicks('(//tr[@data-row])[1]')->sees('please tell us by when we get these');
    $planner = Person::signedIn('ivo@marrowby.example');
    $planner->opens('/proposals?until=all&q=BAT-7')->clicks("(//tr[@data-row]//input[@type='checkbox'])[1]")->focuses('(//tr[@data-row])[1]')->presses('c')
        ->sees('Hand purchases to purchasing');
    // what one did last time is kept
    $planner->counts("//button[starts-with(normalize-space(), 'Hand over 1')]") > 0 || $planner->clicks("//label[contains(., 'Hand purchases to purchasing')]/input");
    $planner->clicks("//button[starts-with(normalize-space(), 'Hand over 1')]")->sees('1 request handed to purchasing.');
    $buyer = Person::signedIn('lena@marrowby.example');
    $buyer->opens('/requests')->clicks("(//tr[@data-row]//input[@type='checkbox'])[1]")->clicks("//button[normalize-space()='Give back']")
        ->types("//input[@aria-label='Why it is given back']", 'the drawing has changed')->presses('ENTER')->sees('1 request given back')
        ->sees('Given back to planning')->sees('the drawing has changed');
    expect($buyer->complaints())->toBe([]);
});
