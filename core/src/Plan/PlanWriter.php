<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Bundle\CsvLines;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Support\Phrasebook;

/** Writes a plan as the CSV files of section 9. */
final class PlanWriter
{
    public const FILES = [
        'proposals.csv' => [
            'proposal', 'kind', 'item', 'site', 'from_site', 'supplier', 'qty', 'start', 'due', 'earliest', 'expected',
            'priority',
        ],
        'pegs.csv' => ['item', 'site', 'supply', 'demand', 'qty'],
        'demands.csv' => ['demand', 'item', 'site', 'qty', 'date', 'need', 'expected', 'late_days', 'uncovered', 'hold_up'],
        'messages.csv' => ['code', 'reference', 'item', 'site', 'from', 'to', 'qty', 'text'],
        'buckets.csv' => ['item', 'site', 'start', 'demand', 'receipts', 'proposals_due', 'proposals_start', 'balance', 'expected_balance'],
    ];

    private readonly PlanPhrases $phrases;

    /** @var array<int, string> days as text */
    private array $days = [];

    /** @var array<int, int>|null place of each point by item and site */
    private ?array $places = null;

    public function __construct(private readonly Plan $plan, private readonly Phrasebook $book)
    {
        $this->phrases = new PlanPhrases($plan->structure, $plan->demands);
    }

    /**
     * Rows of one of {@see FILES}, without the header.
     *
     * @return iterable<list<string>>
     */
    public function rows(string $file): iterable
    {
        return match ($file) {
            'proposals.csv' => $this->proposals(),
            'pegs.csv' => $this->pegs(),
            'demands.csv' => $this->demands(),
            'messages.csv' => $this->messages(),
            'buckets.csv' => $this->buckets(),
            default => [],
        };
    }

    /** @param  array<string, resource>  $streams  by file name; files that are not handed over are not written */
    public function write(array $streams): void
    {
        foreach ($streams as $file => $stream) {
            $lines = new CsvLines($stream);
            $lines->write([self::FILES[$file]]);
            $lines->write($this->rows($file));
        }
    }

    /** @return iterable<list<string>> */
    private function proposals(): iterable
    {
        foreach ($this->plan->proposals() as $proposal) {
            yield [
                $proposal->reference(), (string) $proposal->type?->value, ...$this->point($proposal->point), (string) $proposal->fromSite,
                (string) $proposal->supplier,
                Quantity::format($proposal->qty), $this->day($proposal->start), $this->day($proposal->due),
                $this->day($proposal->earliest),
                $this->day($proposal->available), (string) $proposal->priority,
            ];
        }
    }

    /** @return iterable<list<string>> */
    private function pegs(): iterable
    {
        foreach ($this->places() as $index => $_) {
            $pegs = $this->plan->pegsAt($index);
            [$item, $site] = $this->point($index);
            usort($pegs, fn (Peg $a, Peg $b) => $a->supply->rank <=> $b->supply->rank ?: $a->demand->rank <=> $b->demand->rank);
            foreach ($pegs as $peg) {
                yield [$item, $site, $peg->supply->reference(), $peg->demand->reference(), Quantity::format($peg->qty)];
            }
        }
    }

    /** @return iterable<list<string>> */
    private function demands(): iterable
    {
        $place = $this->places();
        $demands = array_merge(...array_values($this->plan->demands));
        $ranks = $places = [];
        foreach ($demands as $demand) {
            $ranks[] = $demand->rank;
            $places[] = $place[$demand->point];
        }
        $order = array_keys($ranks);
        array_multisort($ranks, $places, $order);
        $whys = []; // by the supply in which a delay begins, which many wait for
        foreach ($order as $at) {
            $demand = $demands[$at];
            $holdUp = $this->plan->holdUp($demand);
            $why = $holdUp === null ? '' : $whys[spl_object_id($holdUp->supply)] ??= $this->book->say($this->phrases->holdUp($holdUp));
            yield [
                $demand->reference(), ...$this->point($demand->point), Quantity::format($demand->qty), $this->day($demand->date),
                $this->day($demand->need), $this->day($demand->expected),
                (string) $demand->lateDays(), Quantity::format($demand->uncovered),
                $why,
            ];
        }
    }

    /** @return iterable<list<string>> */
    private function messages(): iterable
    {
        $messages = $this->plan->messages();
        $place = $this->places();
        $codes = $references = $places = $froms = [];
        foreach ($messages as $message) {
            $codes[] = $message->code->value;
            $references[] = $message->reference();
            $places[] = $place[$message->point];
            $froms[] = $message->from ?? PHP_INT_MIN;
        }
        $order = array_keys($codes);
        array_multisort($codes, SORT_STRING, $references, SORT_STRING, $places, $froms, $order);
        foreach ($order as $row => $at) {
            $message = $messages[$at];
            yield [
                $message->code->value, $references[$row], ...$this->point($message->point), $this->day($message->from),
                $this->day($message->to),
                Quantity::format($message->qty), $this->book->say($this->phrases->message($message)),
            ];
        }
    }

    /** @return iterable<list<string>> */
    private function buckets(): iterable
    {
        $options = $this->plan->options;
        $buckets = new Buckets($options->bucket, $options->planDate, $options->horizonEnd);
        $starts = array_map(fn (array $span) => $this->day($span[0]), $buckets->spans());
        foreach ($this->places() as $index => $_) {
            $supplies = $this->plan->supplies[$index] ?? [];
            $demands = $this->plan->demands[$index] ?? [];
            if ($supplies === [] && array_filter($demands, fn (Demand $demand) => $demand->need !== null) === []) {
                continue;
            }
            $unit = Quantity::unitFor(
                array_sum(Quantity::of($supplies)) + array_sum(Quantity::of($demands)),
                $this->plan->structure->points[$index]->item->step(),
            );
            [$item, $site] = $this->point($index);
            $sum = fn (int $sum) => Quantity::formatSum($sum, $unit);
            $before = null;
            foreach ($buckets->of($supplies, $demands, $unit) as $place => $row) {
                if ($before === null || $row->balance !== $before->balance || $row->expectedBalance !== $before->expectedBalance) {
                    [$balance, $expected] = [$sum($row->balance), $sum($row->expectedBalance)];
                }
                $demand = $row->demand();
                yield [
                    $item, $site, $starts[$place], $demand === 0 ? '0' : $sum($demand), $row->receipts === 0 ? '0' : $sum($row->receipts),
                    $row->proposalsDue === 0 ? '0' : $sum($row->proposalsDue), $row->proposalsStart === 0 ? '0' : $sum($row->proposalsStart),
                    $balance, $expected,
                ];
                $before = $row;
            }
        }
    }

    /** @return array<int, int> place of each point by item and site */
    private function places(): array
    {
        if ($this->places === null) {
            $items = $sites = [];
            foreach ($this->plan->structure->points as $point) {
                $items[] = $point->item->code;
                $sites[] = $point->site->code;
            }
            $order = array_keys($items);
            array_multisort($items, SORT_STRING, $sites, SORT_STRING, $order);
            $this->places = array_flip($order);
        }

        return $this->places;
    }

    /** @return array{string, string} item, site */
    private function point(int $index): array
    {
        $point = $this->plan->structure->points[$index];

        return [$point->item->code, $point->site->code];
    }

    private function day(?int $day): string
    {
        return $day === null ? '' : $this->days[$day] ??= Day::format($day);
    }
}
