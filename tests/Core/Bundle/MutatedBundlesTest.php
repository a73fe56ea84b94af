<?php

declare(strict_types=1);

use Benchmarks\RandomBundle;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Options\Limits;
use Yposta\Core\Planner;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\LoopFound;

/** A bundle with something in it that nobody should send. */
function mutated(array $files, Randomizer $random): array
{
    $one = fn (array $list) => $list[$random->getInt(0, count($list) - 1)];
    $name = $one(array_keys($files));
    $lines = explode("\n", rtrim($files[$name]));
    $place = $random->getInt(0, count($lines) - 1);
    $values = [
        '', ' ', '-1', '0', '1e309', '9000000000000', '9000000000001', '0.0000001', '99999999999999999999', '2026-02-30', '9999-12-31', '1899-01-01',
        "\xff\xfe", "a\0b", '"', '"""', 'x,y', 'order:', 'sales:a:b/c', 'make', '1;2', 'I00001', 'MAIN', str_repeat('x', 300), "a\nb", '=1+1', '١٢',
    ];
    switch ($random->getInt(0, 6)) {
        case 0: // a field
        case 1:
        case 2:
            $fields = explode(',', $lines[$place]);
            $fields[$random->getInt(0, count($fields) - 1)] = $one($values);
            $lines[$place] = implode(',', $fields);
            break;
        case 3: // a line twice, or away
            array_splice($lines, $place, 1, $random->getInt(0, 1) === 0 ? [] : [$lines[$place], $lines[$place]]);
            break;
        case 4: // the text cut off
            return [...$files, $name => substr($files[$name], 0, $random->getInt(0, strlen($files[$name])))];
        case 5: // any byte
            $text = $files[$name];
            $text[$random->getInt(0, strlen($text) - 1)] = chr($random->getInt(0, 255));

            return [...$files, $name => $text];
        default: // a file away, or another in its place
            $random->getInt(0, 1) === 0 ? $lines = [] : $lines = explode("\n", rtrim($files[$one(array_keys($files))]));
    }

    return [...$files, $name => implode("\n", $lines)."\n"];
}

it('reads or refuses in words whatever is in a bundle, and plans what it reads', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $files = (new RandomBundle($seed, 12))->files();
    $read = 0;
    for ($try = 0; $try < 25; $try++) {
        $mutated = mutated($files, $random);
        $random->getInt(0, 2) === 0 && $mutated = mutated($mutated, $random);
        try {
            $contents = Support::bundle($mutated);
            $read++;
            $again = Support::throughFiles($contents);
            expect($again->network)->toEqual($contents->network);
            (new Planner(new Limits(2000)))->plan($contents->network, $contents->options);
        } catch (BundleRefused $refused) {
            expect($refused->lines(Support::english()))->not->toBe([]);
        } catch (QuantityOutOfRange|LoopFound|InvalidOptions $trouble) {
            expect(Support::english()->say($trouble->phrase()))->not->toBe('');
        }
    }
    expect($read)->toBeGreaterThan(0);
})->with(range(1, 12));
