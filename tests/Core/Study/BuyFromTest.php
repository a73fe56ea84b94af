<?php

declare(strict_types=1);

use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Study\BuyFrom;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;

it('buys from another supplier what was not sent, with the day on which he has to be asked, and goes back', function () {
    $network = Support::small([
        'suppliers' => "supplier,name,calendar\nSUP,Sundry,\nFAST,Fast,\n", 'items' => "item,name\nBODY,Body\n",
        'planning' => "item,site,supply,lead_days,supplier\nBODY,MAIN,buy,5,SUP\n", 'supplier_items' => "supplier,item,lead_days,rank\nSUP,BODY,6,1\nFAST,BODY,2,2\n",
        'orders' => "order,kind,status,item,site,supplier,qty,start,due\nP1,buy,firm,BODY,MAIN,SUP,4,2026-03-12,2026-03-20\nP2,buy,released,BODY,MAIN,SUP,4,,2026-03-20\nP3,buy,firm,BODY,MAIN,,4,,2026-03-20\n",
    ])->network;
    $change = new BuyFrom('P1', 'FAST');
    $changed = $change->apply($network);
    expect($changed->orders['P1']->supplier)->toBe('FAST')->and($changed->orders['P1']->start)->toBe(Day::parse('2026-03-18'))
        ->and((new Changes($change->inverse($network)))->apply($changed)->orders)->toEqual($network->orders);
    $found = new BuyFrom('P3', 'FAST');
    $after = $found->apply($network);
    expect($after->orders['P3']->supplier)->toBe('FAST')->and($after->orders['P3']->start)->toBeNull()
        ->and((new Changes($found->inverse($network)))->apply($after)->orders)->toEqual($network->orders);
    foreach ([[new BuyFrom('P2', 'FAST'), 'sent already'], [new BuyFrom('P1', 'NONE'), 'no supplier NONE'], [new BuyFrom('P9', 'FAST'), 'no open order']] as [$wrong, $why]) {
        expect(Support::refusal(fn () => $wrong->apply($network)))->toContain($why);
    }
    foreach ([$change, ...$found->inverse($network)] as $one) {
        expect(ChangeCodec::decode(json_decode((string) json_encode(ChangeCodec::encode($one)), true)))->toEqual($one);
    }
});
