<?php

declare(strict_types=1);

use App\Trials\ForkedSearch;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Yposta\Core\Promise\OneByOne;

it('finds in several processes what trying one day after the other finds', function (int $processes) {
    config([ForkedSearch::ALLOWED => true, 'yposta.processes' => $processes]);
    $random = new Randomizer(new Mt19937($processes));
    for ($round = 0; $round < 25; $round++) {
        $days = range(100, 100 + $random->getInt(0, 40));
        $good = array_filter($days, fn () => $random->getInt(1, 12) === 1);
        $slow = $random->getInt(0, 1);
        $holds = function (int $day) use ($good, $slow): bool {
            $slow === 1 && usleep(($day * 37) % 5 * 200); // some days take longer than others

            return in_array($day, $good, true);
        };
        expect((new ForkedSearch)->first($days, $holds))->toBe((new OneByOne)->first($days, $holds), "round {$round}");
    }
})->with([2, 3, 5]);

it('tries no two at once where that is not allowed', function () {
    config(['yposta.processes' => 4]);
    $here = getmypid();
    expect((new ForkedSearch)->first(range(1, 30), fn (int $day) => getmypid() === $here && $day === 27))->toBe(27);
});
