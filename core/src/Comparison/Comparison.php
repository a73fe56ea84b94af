<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

use Yposta\Core\Network\Network;

/** What differs between two plans: what was added, what is gone, what is changed (section 7). */
final readonly class Comparison
{
    /**
     * @param  list<Difference<ProposalEntry>>  $proposals  by item, site and date
     * @param  list<Difference<MessageEntry>>  $messages  by item and site
     * @param  list<Difference<LateEntry>>  $late  by order and line
     * @param  array<string, array{int, int}>  $stock  average value before and after where it differs, by {@see Network::key()}
     * @param  array<string, array{int, int}>  $figures  totals before and after, by name
     * @param  array<string, array{int, int}>  $needed  what customers and forecasts need before and after, millionths by unit
     */
    private function __construct(
        public array $proposals,
        public array $messages,
        public array $late,
        public array $stock,
        public array $figures,
        public array $needed,
    ) {
    }

    public static function of(PlanContent $before, PlanContent $after): self
    {
        $stock = $figures = [];
        foreach ($before->stock + $after->stock as $key => $_) {
            $pair = [$before->stock[$key] ?? 0, $after->stock[$key] ?? 0];
            $pair[0] === $pair[1] || $stock[$key] = $pair;
        }
        foreach ($before->figures as $name => $value) {
            $figures[$name] = [$value, $after->figures[$name] ?? 0];
        }

        $needed = [];
        foreach ($before->needed + $after->needed as $unit => $_) {
            $needed[$unit] = [$before->needed[$unit] ?? 0, $after->needed[$unit] ?? 0];
        }

        return new self(
            proposals: self::proposals($before, $after),
            messages: self::messages($before, $after),
            late: self::late($before, $after),
            stock: $stock,
            figures: $figures,
            needed: $needed,
        );
    }

    /** @return list<Difference<ProposalEntry>> */
    private static function proposals(PlanContent $before, PlanContent $after): array
    {
        $differences = Pairing::of(
            $before->proposals,
            $after->proposals,
            fn (ProposalEntry $fact) => "{$fact->item}\x1f{$fact->site}\x1f{$fact->kind}",
            [
                fn (ProposalEntry $fact) => "{$fact->qty} {$fact->due} {$fact->supplier} {$fact->start} {$fact->expected}",
                fn (ProposalEntry $fact) => "{$fact->qty} {$fact->due} {$fact->supplier}",
                fn (ProposalEntry $fact) => (string) $fact->due,
                fn (ProposalEntry $fact) => (string) $fact->qty,
                fn () => '',
            ],
        );
        usort($differences, fn (Difference $a, Difference $b) => self::place($a) <=> self::place($b));

        return $differences;
    }

    /** @return list<Difference<MessageEntry>> */
    private static function messages(PlanContent $before, PlanContent $after): array
    {
        $differences = Pairing::of(
            $before->messages,
            $after->messages,
            fn (MessageEntry $fact) => "{$fact->item}\x1f{$fact->site}\x1f{$fact->code}\x1f{$fact->about}",
            [
                fn (MessageEntry $fact) => "{$fact->from} {$fact->to} {$fact->qty}",
                fn (MessageEntry $fact) => (string) $fact->from,
                fn () => '',
            ],
        );
        usort($differences, function (Difference $a, Difference $b): int {
            $one = $a->after ?? $a->before;
            $other = $b->after ?? $b->before;

            return [$one?->item, $one?->site, $one?->code, $one?->from] <=> [$other?->item, $other?->site, $other?->code, $other?->from];
        });

        return $differences;
    }

    /** @return list<Difference<LateEntry>> */
    private static function late(PlanContent $before, PlanContent $after): array
    {
        return Pairing::of(
            $before->late, $after->late, fn (LateEntry $fact) => "{$fact->order}\x1f{$fact->line}",
            [fn (LateEntry $fact) => "{$fact->due} {$fact->expected} {$fact->qty}", fn () => ''],
        );
    }

    /**
     * @param  Difference<ProposalEntry>  $difference
     * @return array{string, string, int}
     */
    private static function place(Difference $difference): array
    {
        $fact = $difference->after ?? $difference->before;

        return $fact === null ? ['', '', 0] : [$fact->item, $fact->site, $fact->due];
    }
}
