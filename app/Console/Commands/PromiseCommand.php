<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Planning\BundleFolder;
use App\Support\Words;
use Illuminate\Console\Command;
use InvalidArgumentException;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Promise\PromiseAnswer;
use Yposta\Core\Promise\PromiseGround;
use Yposta\Core\Promise\PromisePart;
use Yposta\Core\Promise\Promises;
use Yposta\Core\Promise\ShopGround;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Trial\Trial;

final class PromiseCommand extends Command
{
    use TellsOnStandardError;

    protected $signature = 'yposta:promise {bundle : folder or zip of CSV files} {--item=} {--site=} {--qty=}
        {--date= : YYYY-MM-DD that is wished for}
        {--with-capacity : with the shop, scheduled by default}';

    protected $description = 'Say when how much of an item can be promised, as JSON, without any database';

    public function handle(BundleReader $reader): int
    {
        ini_set('memory_limit', '-1');
        gc_disable(); // a plan is one large web of objects that live to the end

        return $this->orRefused(function () use ($reader): void {
            [$qty, $wished] = [$this->quantity(), $this->day()];
            $contents = $reader->read(BundleFolder::open((string) $this->argument('bundle')));
            $this->note($contents->warnings);
            $options = $contents->options->with(schedule: false);
            $trial = new Trial($contents->network, $options);
            $shop = $this->option('with-capacity') === true ? $trial->with([], ShopGround::byDefault(...)) : null;
            $promises = new Promises(
                new PromiseGround($trial, $options, $shop), $this->text('item'), $this->text('site'), $qty, $wished,
            );
            $this->line(self::json($promises->answer(), $options->planDate));
        });
    }

    private static function json(PromiseAnswer $answer, int $planDate): string
    {
        $of = $answer->madeOf === null ? [] : get_object_vars($answer->madeOf);

        return json_encode([
            'earliest' => $answer->earliest === null ? null : Day::format($answer->earliest),
            'on_date' => Quantity::format($answer->onDate),
            'split' => array_map(
                fn (PromisePart $part) => ['qty' => Quantity::format($part->qty), 'date' => Day::format($part->date)], $answer->split,
            ),
            'made_of' => array_map(
                Quantity::format(...), [...array_fill_keys(['stock', 'incoming', 'make', 'buy', 'transfer'], 0), ...$of],
            ),
            'decided_by' => $answer->decidedBy === null ? '' : Words::of($planDate)->say($answer->decidedBy),
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    private function quantity(): int
    {
        try {
            return Quantity::parse($this->text('qty'));
        } catch (InvalidQuantity) {
            throw new InvalidArgumentException("--qty={$this->text('qty')} is no quantity");
        }
    }

    private function day(): int
    {
        try {
            return Day::parse($this->text('date'));
        } catch (InvalidDay) {
            throw new InvalidArgumentException("--date={$this->text('date')} is no day");
        }
    }

    private function text(string $option): string
    {
        $value = $this->option($option);

        return is_scalar($value) ? (string) $value : '';
    }
}
