<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** Quantities of the movements of an order or sales line, in their order. */
function movedFor(string $document): array
{
    return array_map(
        fn (array $row) => "{$row['kind']} {$row['item_code']} ".((int) $row['qty'] / 1_000_000),
        Application::running()->rows("select kind, item_code, qty from movements where document like '%{$document}%' order by id"),
    );
}

it('goes from its release with parts missing to the customer, every figure in the ledger', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    // three parts are not there: it is asked, and released all the same
    $person->opens('/orders/M-1052')->sees('Firm')->clicks("//summary[contains(., 'Try something with it')]")->clicks("//button[normalize-space()='Release']")
        ->sees('Release it all the same?')->sees('M-1052 needs 10 pcs more of SM-12')->clicks("//button[normalize-space()='Draft it so']")
        ->sees('Draft, 1 change')->clicks("//button[normalize-space()='Commit']")->sees('Released');
    expect(Application::running()->rows("select status from orders where code = 'M-1052'")[0]['status'])->toBe('released');
    // more is taken than was planned, for the waste, with its reason
    $person->opens('/orders/M-1052')->clicks("//button[@aria-label='What to do about RES-9']")
        ->types("//input[@aria-label='Issued to M-1052']", '0.7')->clicks("//label[contains(., 'More than planned, with a reason')]/input")
        ->types("//form[@aria-label='Issued to M-1052']//input[@maxlength='190']", 'spilt')->presses('ENTER')->sees('0.7 kg of RES-9 issued to M-1052.');
    expect(movedFor('M-1052'))->toBe(['issue RES-9 -0.7']);
    // an order that is ready is reported, made and received, and the customer gets what was made
    $floor = Person::signedIn('wick@marrowby.example');
    $floor->opens('/worklist?centre=CAL-1')->sees('M-1042 / 20');
    $place = (int) Application::running()->browser()->executeScript(
        'return [...document.querySelectorAll("[data-work]")].findIndex((one) => one.textContent.includes("M-1042 / 20"))',
    );
    $floor->focuses("[data-work='{$place}']")->presses('ENTER')->types("//form//input[@aria-label='Good']", '3')->presses('ENTER')
        ->sees('Operation 20 of M-1042 at CAL-1: 3 pcs done.')->sees('5 done')->opens('/account')->sees('Wick Arden');
    $stores = Person::signedIn('pell@marrowby.example');
    $stores->opens('/orders/M-1042')->types("//input[@aria-label='Received M-1042']", '8')
        ->clicks("//label[contains(., 'Its components have been used for it')]/input")->clicks("//form[@aria-label='Received M-1042']//button[@type='submit']")
        ->sees('8 pcs of WS-400 received with M-1042');
    $stores->opens('/demand?q=SO-7714')->clicks("//tr[@data-row][contains(., 'SO-7714/1')]")->types("//input[@aria-label='Shipped']", '2')->presses('ENTER')
        ->sees('2 pcs of WS-400 shipped on SO-7714/1');
    expect(movedFor('M-1042'))->toBe(['receipt WS-400 8'])->and(movedFor('SO-7714/1'))->toBe(['shipment WS-400 -2']);
    foreach (['RES-9' => 'OSK', 'WS-400' => 'OSK'] as $item => $site) {
        $sum = Application::running()->rows("select s.qty - (select sum(m.qty) from movements m where m.item_code = s.item_code and m.site_code = s.site_code) as apart from stock s where s.item_code = '{$item}' and s.site_code = '{$site}'");
        expect((int) $sum[0]['apart'])->toBe(0);
    }
    $stores->opens('/movements?q=M-1042')->sees('Receipt');
    expect($person->complaints())->toBe([])->and($floor->complaints())->toBe([])->and($stores->complaints())->toBe([]);
});
