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

it('works two things out beside each other, as one after the other would', function () {
    $here = getmypid();
    expect((new ForkedSearch)->both(fn () => getmypid() === $here ? 1 : 0, fn () => 'own'))->toBe([1, 'own']);
    config([ForkedSearch::ALLOWED => true, 'yposta.processes' => 2]);
    expect((new ForkedSearch)->both(fn () => getmypid() === $here ? 1 : 0, fn () => [7, null]))->toBe([0, [7, null]])
        ->and((new ForkedSearch)->both(fn () => -5_000_000_000, fn () => null))->toBe([-5_000_000_000, null]);
    // one that goes in the middle is told, and what breaks here leaves no process behind
    $dies = fn () => posix_kill(posix_getpid(), SIGKILL) ? 1 : 0;
    expect(fn () => (new ForkedSearch)->both($dies, fn () => null))->toThrow(RuntimeException::class);
    expect(fn () => (new ForkedSearch)->both(fn () => sleep(30), fn () => throw new DomainException('broken')))->toThrow(DomainException::class)
        ->and(pcntl_waitpid(-1, $status, WNOHANG))->toBe(-1);
});
