<?php

declare(strict_types=1);

use App\Support\Workbook;
use Tests\Browser\Application;
use Tests\Browser\Person;
use Tests\Support;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Supply;

/** A value of the company that is served. */
function kept(string $query): mixed
{
    return array_values(Application::running()->rows($query)[0] ?? [null])[0];
}

/** Rows as a spreadsheet gives them to be pasted. */
function pasted(string $csv): string
{
    return str_replace(',', "\t", $csv);
}

it('leads from an empty installation by paste, file and form to the plan that a bundle of the same gives', function () {
    $due = fn (int $days) => date('Y-m-d', time() + $days * 86_400);
    $files = [
        'sites.csv' => "site,name\nMAIN,Main plant\n",
        'items.csv' => "item,name,unit,unit_cost\nBUOY,Buoy,pcs,80\nHULL,Hull,pcs,25.5\nROPE,Rope,m,1.2\n",
        'bom.csv' => "item,line,component,qty\nBUOY,10,HULL,1\nBUOY,20,ROPE,12\n",
        'planning.csv' => "item,site,supply,lead_days,multiple\nBUOY,MAIN,make,3,\nHULL,MAIN,buy,12,\nROPE,MAIN,buy,4,50\n",
        'stock.csv' => "item,site,qty\nBUOY,MAIN,3\nROPE,MAIN,20\n",
        'sales.csv' => "order,line,item,site,qty,due,customer\nS-1,1,BUOY,MAIN,6,{$due(60)},Ferry Co\nS-2,1,BUOY,MAIN,4,{$due(75)},Pier 9\n",
    ];
    $person = Person::signedIn('rufus@marrowby.example');
    $person->opens('/company')->clicks("//button[normalize-space()='Take the demo company away']")->sees('This cannot be undone.')
        ->clicks("//button[normalize-space()='Take it all away']")->sees('Bring what you have, in this order')->sees('Where things are made and stored.');
    expect(kept('select count(*) from items'))->toBe(0);

    // a site by hand
    $person->clicks("//a[@href='/data?kind=sites&opens=new']")->sees('New: site');
    Application::await(fn () => $person->focusIsOn("//input[@aria-label='Site']"), 'the focus on the first field');
    $person->presses(...[...str_split('MAIN'), 'TAB', ...str_split('Main plant'), 'ENTER'])->sees('Draft, 1 change')
        ->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('Written: ')->sees('Main plant');

    // items and structure as they are pasted, planning data from a workbook, the rest from files
    $person->opens('/')->clicks("//a[@href='/data?kind=items&opens=bring']")
        ->pastes('textarea', "Part\tName\tunit\tCost\nBUOY\tBuoy\tpcs\t80\nHULL\tHull\tpcs\t25,50\nROPE\tRope\tm\t1,2\n")
        ->clicks("//button[normalize-space()='Look at it']")->sees('Say which column is: Item')
        ->clicks("//select[@aria-label='What column 1 is']/option[normalize-space()='Item']")->sees('3 new')
        ->clicks("//button[normalize-space()='Write 3 rows']")->sees('Items brought in: 3 new, 0 changed');
    $person->opens('/data?kind=bom&opens=bring')->pastes('textarea', "Parent\tComponent\tQuantity\nBUOY\tHULL\t1\nBUOY\tROPE\t12\nBUOY\tNAIL\t4\n")
        ->clicks("//button[normalize-space()='Look at it']")->sees('1 wrong')->sees("there is no item 'NAIL'")->sees('Nothing is written while')
        ->pastes('textarea', "Parent\tComponent\tQuantity\nBUOY\tHULL\t1\nBUOY\tROPE\t12\n")
        ->clicks("//button[normalize-space()='Look at it']")->clicks("//button[normalize-space()='Write 2 rows']")->sees('Structure lines brought in: 2 new');
    $rows = array_map('array_values', Support::parse($files['planning.csv']));
    $book = Workbook::write('planning', ['item', 'site', 'supply', 'lead_days', 'multiple'], ['text', 'text', 'text', 'number', 'number'], $rows);
    $person->opens('/data?kind=planning&opens=bring')->attaches("//input[@type='file']", $book)
        ->clicks("//button[normalize-space()='Look at it']")->clicks("//button[normalize-space()='Write 3 rows']")->sees('Planning points brought in: 3 new');
    foreach (['stock' => 'Stocks brought in: 2 new', 'sales' => 'Sales lines brought in: 2 new'] as $kind => $told) {
        $path = sys_get_temp_dir().'/'.uniqid($kind).'.csv';
        file_put_contents($path, $files["{$kind}.csv"]);
        $person->opens("/data?kind={$kind}&opens=bring")->attaches("//input[@type='file']", $path)
            ->clicks("//button[normalize-space()='Look at it']")->clicks("//button[normalize-space()='Write 2 rows']")->sees($told);
    }

    $person->opens('/')->sees('Press Run above.')->clicks("//button[normalize-space()='Run']")->clicks("//button[normalize-space()='Run now']")
        ->sees('Needs you');
    $plan = Support::plan(Support::bundle(['plan.csv' => "key,value\nplan_date,".date('Y-m-d')."\n", ...$files]));
    $expected = array_map(fn (Supply $one) => [
        $plan->structure->points[$one->point]->item->code, Quantity::format($one->qty), Day::format($one->due),
    ], $plan->proposals());
    $stored = Application::running()->rows(
        "select p.item_code, s.qty, s.due from plan_supplies s join plan_points p on p.run_id = s.run_id and p.n = s.point where s.kind = 'proposal'",
    );
    $found = array_map(
        fn (array $row) => [$row['item_code'], Quantity::format((int) $row['qty']), substr((string) $row['due'], 0, 10)], $stored,
    );
    $person->opens('/account')->sees('Rufus Oake');
    sort($expected);
    sort($found);
    expect($found)->toBe($expected)->and(count($found))->toBeGreaterThan(3)->and($person->complaints())->toBe([]);
});

it('changes rows of data one by one and many at once, by keyboard, and says what it does before it is written', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/data?kind=planning&q=WS-3')->find('//*[@data-row]');
    $rows = $person->counts('//*[@data-row]');
    $person->presses('ARROW_DOWN', ' ', 'ARROW_DOWN', ' ')->sees('2 rows picked');
    $person->clicks("//select[@aria-label='What gets another value']/option[normalize-space()='Safety days']")
        ->types("//input[@aria-label='Its new value']", '+3')->presses('ENTER')->sees('Safety days')->sees('Draft it for 2 rows');
    expect(kept("select sum(safety_days) from planning_data where item_code like 'WS-3%'"))->toBeLessThan(6);
    $person->clicks("//button[normalize-space()='Draft it for 2 rows']")->sees('Draft, 1 change')->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('Written: ');
    expect((int) kept("select count(*) from planning_data where item_code like 'WS-3%' and safety_days >= 3"))->toBe(2)->and($rows)->toBeGreaterThan(1);

    // one row, in its panel: what is in use cannot go, what is new can
    $person->opens('/data?kind=items&q=BAT-7')->clicks('(//*[@data-row])[1]')->sees('What was changed, and by whom')
        ->clicks("//button[normalize-space()='Without it']")->sees('BAT-7 is used')->sees('The draft is as it was.');
    $person->types("//aside//input[@aria-label='Sales price']", '42')->presses('ENTER')->sees('Draft, 1 change')->seesNot('The draft is as it was.');
    $person->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('Written: ')->clicks("//summary[contains(., 'What was changed')]")
        ->sees('Item BAT-7: Sales price 34 to 42')->clicks("//aside//button[normalize-space()='Undo']")->sees('undone');
    expect((int) kept("select sales_price from items where code = 'BAT-7'"))->toBe(34_000_000);
    $person->opens('/account')->sees('Ivo Marlin');
    expect($person->complaints())->toBe([]);
});

it('loses nothing when two people edit one record', function () {
    $ivo = Person::signedIn('ivo@marrowby.example');
    $rufus = Person::signedIn('rufus@marrowby.example', second: true);
    foreach ([[$ivo, 'Battery, first'], [$rufus, 'Battery, second']] as [$person, $name]) {
        $person->opens('/data?kind=items&q=BAT-7')->clicks('(//*[@data-row])[1]')->types("//aside//input[@aria-label='Name']", $name)
            ->presses('ENTER')->sees('Draft, 1 change');
    }
    $rufus->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('Written: ');
    $ivo->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('BAT-7 has been changed meanwhile');
    expect(kept("select name from items where code = 'BAT-7'"))->toBe('Battery, second')
        ->and((int) kept("select count(*) from drafts where user_id = (select id from users where email = 'ivo@marrowby.example') and lines <> '[]'"))->toBe(1);
    $ivo->opens('/account')->sees('Ivo Marlin');
    $rufus->opens('/account')->sees('Rufus Oake');
});

it('changes a structure by keyboard: a quantity, another component, one more, one less, the order', function () {
    $person = Person::signedIn('ivo@marrowby.example');
    $person->opens('/structure?item=SH-41')->sees('Sensor head, heated')->find('//*[@data-row]');
    $person->presses('ARROW_DOWN')->finds("//tr[@data-row='0'][contains(., 'SM-12')]")->presses('ENTER')->finds("//input[@aria-label='Quantity of SM-12']");
    $person->presses('2', 'ENTER')->sees('Draft, 1 change')->sees('drafted');
    Application::await(fn () => $person->focusIsOn("//tr[@data-row='0']"), 'the focus on its row again');
    $person->presses('r')->finds("//input[@aria-label='The component to take its place']")
        ->types("//input[@aria-label='The component to take its place']", 'SH-41')->presses('ENTER')->sees('contains itself');
    $person->types("//input[@aria-label='The component to take its place']", 'BAT-12')->clicks("//button[normalize-space()='See where else it is used']")
        ->sees('Component SM-12 to BAT-12')->clicks("//button[starts-with(normalize-space(), 'Draft it in all')]")->sees('Draft, 2 changes')
        ->finds("//tr[@data-row='0'][contains(., 'BAT-12')]");

    $rows = $person->counts("//tr[@aria-level='1']");
    $person->focuses("//tr[@data-row='0']")->presses('n')->finds("//aside//input[@aria-label='Component']");
    Application::await(fn () => $person->focusIsOn("//aside//input[@aria-label='Component']"), 'the focus on the component');
    $person->presses(...str_split('BOX-1'))->types("//aside//input[@aria-label='Quantity']", '3')->presses('ENTER')->sees('Draft, 3 changes');
    Application::await(fn () => $person->counts("//tr[@aria-level='1']") === $rows + 1, 'one more line');
    $person->focuses("//tr[@data-row='0']")->pressesWith('ALT', 'ARROW_DOWN')->sees('Draft, 4 changes')->finds("(//tr[@aria-level='1'])[2][contains(., 'BAT-12')]");
    $person->focuses("(//tr[@aria-level='1'])[2]")->presses('DELETE')->sees('Draft, 5 changes');
    Application::await(fn () => $person->counts("//tr[@data-row][contains(., 'BAT-12')]") === 0, 'the line to go');

    $person->pressesWith('CONTROL', 'ENTER')->presses('ENTER')->sees('5 changes written.');
    expect((int) kept("select count(*) from bom_lines where component_code = 'SM-12'"))->toBe(0)
        ->and((int) kept("select qty from bom_lines where item_code = 'SH-41' and component_code = 'BOX-1'"))->toBe(3_000_000)
        ->and((int) kept("select count(*) from bom_lines where item_code = 'SH-41' and component_code = 'BAT-12'"))->toBe(0);
    $person->opens('/account')->sees('Ivo Marlin');
    expect($person->complaints())->toBe([]);
});
