<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\Browser\Person;

/** Pieces of an item at a site, as stock has them and as the ledger adds them up. */
function piecesOf(string $item, string $site = 'OSK'): array
{
    $one = fn (string $query) => (int) (Application::running()->rows($query)[0]['qty'] ?? 0) / 1_000_000;

    return [
        $one("select qty from stock where item_code = '{$item}' and site_code = '{$site}'"),
        $one("select sum(qty) as qty from movements where item_code = '{$item}' and site_code = '{$site}'"),
    ];
}

it('receives an order in two parts, takes one back, and finds each in the ledger', function () {
    $person = Person::signedIn('pell@marrowby.example');
    [$before] = piecesOf('REF-3');
    $person->opens('/orders/P-3340')->types("//input[@aria-label='Received P-3340']", '10')->presses('ENTER')
        ->sees('10 pcs of REF-3 received with P-3340.');
    $person->clicks("//button[normalize-space()='Receive']")->sees('12 pcs of REF-3 received with P-3340.')->sees('Closed');
    expect(piecesOf('REF-3'))->toBe([$before + 22, $before + 22]);
    $person->clicks("//a[normalize-space()='What moved']")->sees('2 movements')
        ->clicks("(//button[normalize-space()='Take back'])[1]")->sees('Taken back: 12 pcs of REF-3, P-3340.')->sees('3 movements');
    expect(piecesOf('REF-3'))->toBe([$before + 10, $before + 10]);
    $person->opens('/orders/P-3340')->sees('Partly here');
    expect($person->complaints())->toBe([]);
});

it('issues a part with a reason, makes what it goes into, ships it by keyboard, and counts what is left', function () {
    $person = Person::signedIn('pell@marrowby.example');
    [$before] = piecesOf('SH-41');
    $person->opens('/orders/M-1042')->clicks("//button[@aria-label='What to do about SH-41']")
        ->types("//input[@aria-label='Issued to M-1042']", '9')->presses('ENTER')->sees('needs only 8 pcs more of SH-41, and not 9 pcs');
    $person->types("//input[@aria-label='Issued to M-1042']", '8')->presses('ENTER')->sees('8 pcs of SH-41 issued to M-1042.');
    expect(piecesOf('SH-41'))->toBe([$before - 8, $before - 8]);
    // a part of it has not come: it was not used, or it is not done
    $person->opens('/orders/M-1042')->types("//input[@aria-label='Received M-1042']", '8')->presses('ENTER')->sees('There is only 0 pcs of PK-2 at OSK')
        ->clicks("//label[contains(., 'Its components have been used for it')]/input")
        ->clicks("//button[normalize-space()='Receive']")->sees('8 pcs of WS-400 received with M-1042');
    [$made] = piecesOf('WS-400');
    $person->opens('/demand?q=SO-7714')->clicks("//tr[@data-row][contains(., 'SO-7714/1')]")
        ->types("//input[@aria-label='Shipped']", '3')->presses('ENTER')->sees('3 pcs of WS-400 shipped on SO-7714/1 to Tern Harbour');
    expect(piecesOf('WS-400'))->toBe([$made - 3, $made - 3]);
    $person->opens('/item?item=WS-400&at=OSK')->types("//input[starts-with(@aria-label, 'Counted')]", (string) ($made - 4))->presses('ENTER')
        ->sees('WS-400 at OSK counted');
    expect(piecesOf('WS-400'))->toBe([$made - 4, $made - 4]);
    $person->opens('/movements?q=M-1042')->sees('Issue')->sees('Receipt');
    expect($person->complaints())->toBe([]);
});

it('receives many orders at once from the list, and says what came', function () {
    $person = Person::signedIn('pell@marrowby.example');
    $person->opens('/orders?kind=buy&q=P-33')->sees('P-3311')->clicks("//input[@aria-label='Pick P-3311']")->clicks("//input[@aria-label='Pick P-3340']")
        ->clicks("//button[normalize-space()='Receive all that is open of 2']")->sees('22 pcs of REF-3 received with P-3340')
        ->seesNot('2 orders picked');
    expect(Application::running()->rows("select code from orders where code in ('P-3311', 'P-3340') and status = 'done'"))->toHaveCount(2);
    [$stock, $ledger] = piecesOf('REF-3');
    expect($stock)->toBe($ledger)->and($person->complaints())->toBe([]);
});
