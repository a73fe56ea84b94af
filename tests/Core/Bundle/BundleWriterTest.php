<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Tests\Support;
use Yposta\Core\Bundle\Contents;

it('writes what it reads back to the same', function (Contents $contents) {
    $again = Support::throughFiles($contents);

    expect($again->network)->toEqual($contents->network)->and($again->options)->toEqual($contents->options);
})->with([
    'the demo company' => fn () => Support::bundle(Support::folder(dirname(__DIR__, 3).'/database/demo')),
    'a random network' => fn () => Support::bundle((new RandomBundle(11, 60))->files()),
    'every setting' => fn () => Support::bundle([
        ...(new RandomBundle(12, 10))->files(),
        'plan.csv' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-05-01\ncalendars,off\nbring_in_days,7\npush_out_days,0\nforecasts,MORE;BASE\nconsume,off\nconsume_back_days,3\nconsume_forward_days,4\nforecast_placement,spread\nsafety_stock,off\npeg_rule,priority\ndemand,sales\nsupply,stock;purchase\nsites,MAIN\nitems,I00001;I00002\nbucket,day\n",
    ]),
]);

it('quotes what needs quotes', function () {
    $contents = Support::small(['items' => "item,name\n\"A,1\",\"said \"\"so\"\"\"\n"]);

    expect(Support::throughFiles($contents)->network->items['A,1']->name)->toBe('said "so"');
});
