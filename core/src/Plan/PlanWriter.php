<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\Peg;
use Yposta\Core\Support\Phrasebook;

/** Writes a plan as the CSV files of section 9. */
final readonly class PlanWriter
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

    private PlanPhrases $phrases;

    public function __construct(private Plan $plan, private Phrasebook $book)
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
            fputcsv($stream, self::FILES[$file], ',', '"', '', "\n");
            foreach ($this->rows($file) as $row) {
                fputcsv($stream, $row, ',', '"', '', "\n");
            }
        }
    }

    /** @return iterable<list<string>> */
    private function proposals(): iterable
    {
        foreach ($this->plan->proposals() as $proposal) {
            yield [
                $proposal->reference(), (string) $proposal->type?->value, ...$this->point($proposal->point), (string) $proposal->fromSite,
                (string) $proposal->supplier,
                Quantity::format($proposal->qty), Day::format($proposal->start), Day::format($proposal->due),
                Day::format($proposal->earliest),
                Day::format($proposal->available), (string) $proposal->priority,
            ];
        }
    }

    /** @return iterable<list<string>> */
    private function pegs(): iterable
    {
        $pegs = $this->plan->pegs();
        $place = $this->places();
        usort(
            $pegs,
            fn (Peg $a, Peg $b) => $place[$a->supply->point] <=> $place[$b->supply->point]
                ?: $a->supply->rank <=> $b->supply->rank
                ?: $a->demand->rank <=> $b->demand->rank,
        );
        foreach ($pegs as $peg) {
            yield [...$this->point($peg->supply->point), $peg->supply->reference(), $peg->demand->reference(), Quantity::format($peg->qty)];
        }
    }

    /** @return iterable<list<string>> */
    private function demands(): iterable
    {
        $place = $this->places();
        $demands = array_merge(...array_values($this->plan->demands));
        usort($demands, fn (Demand $a, Demand $b) => $a->rank <=> $b->rank ?: $place[$a->point] <=> $place[$b->point]);
        foreach ($demands as $demand) {
            $holdUp = $this->plan->holdUp($demand);
            yield [
                $demand->reference(), ...$this->point($demand->point), Quantity::format($demand->qty), self::day($demand->date),
                self::day($demand->need), self::day($demand->expected),
                (string) $demand->lateDays(), Quantity::format($demand->uncovered),
                $holdUp === null ? '' : $this->book->say($this->phrases->holdUp($holdUp)),
            ];
        }
    }

    /** @return iterable<list<string>> */
    private function messages(): iterable
    {
        $messages = $this->plan->messages();
        usort(
            $messages,
            fn (Message $a, Message $b) => [
                $a->code->value, $a->reference(), ...$this->point($a->point), $a->from,
            ] <=> [$b->code->value, $b->reference(), ...$this->point($b->point), $b->from],
        );
        foreach ($messages as $message) {
            yield [
                $message->code->value, $message->reference(), ...$this->point($message->point), self::day($message->from),
                self::day($message->to),
                Quantity::format($message->qty), $this->book->say($this->phrases->message($message)),
            ];
        }
    }

    /** @return iterable<list<string>> */
    private function buckets(): iterable
    {
        $options = $this->plan->options;
        $buckets = new Buckets($options->bucket, $options->planDate, $options->horizonEnd);
        foreach (array_keys($this->places()) as $index) {
            $supplies = $this->plan->supplies[$index] ?? [];
            $demands = $this->plan->demands[$index] ?? [];
            if ($supplies === [] && array_filter($demands, fn (Demand $demand) => $demand->need !== null) === []) {
                continue;
            }
            $unit = Quantity::unitFor(
                array_sum(Quantity::of($supplies)) + array_sum(Quantity::of($demands)),
                $this->plan->structure->points[$index]->item->step(),
            );
            foreach ($buckets->of($supplies, $demands, $unit) as $row) {
                yield [...$this->point($index), Day::format($row->start), ...array_map(
                    fn (int $sum) => Quantity::formatSum($sum, $unit),
                    [$row->demand(), $row->receipts, $row->proposalsDue, $row->proposalsStart, $row->balance, $row->expectedBalance],
                )];
            }
        }
    }

    /** @return array<int, int> place of each point by item and site */
    private function places(): array
    {
        $points = $this->plan->structure->points;
        uasort($points, fn ($a, $b) => strcmp($a->item->code, $b->item->code) ?: strcmp($a->site->code, $b->site->code));

        return array_flip(array_keys($points));
    }

    /** @return array{string, string} item, site */
    private function point(int $index): array
    {
        $point = $this->plan->structure->points[$index];

        return [$point->item->code, $point->site->code];
    }

    private static function day(?int $day): string
    {
        return $day === null ? '' : Day::format($day);
    }
}
