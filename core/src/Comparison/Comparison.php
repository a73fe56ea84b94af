<?php

declare(strict_types=1);

namespace Yposta\Core\Comparison;

use Yposta\Core\Network\Network;

/** What differs between two plans: what was added, what is gone, what is changed (section 7). */
final readonly class Comparison
{
    /**
     * @param  list<Difference<ProposalFact>>  $proposals  by item, site and date
     * @param  list<Difference<MessageFact>>  $messages  by item and site
     * @param  list<Difference<LateFact>>  $late  by order and line
     * @param  array<string, array{int, int}>  $stock  average value before and after where it differs, by {@see Network::key()}
     * @param  array<string, array{int, int}>  $figures  totals before and after, by name
     */
    private function __construct(public array $proposals, public array $messages, public array $late, public array $stock, public array $figures)
    {
    }

    public static function of(Picture $before, Picture $after): self
    {
        $stock = $figures = [];
        foreach ($before->stock + $after->stock as $key => $_) {
            $pair = [$before->stock[$key] ?? 0, $after->stock[$key] ?? 0];
            $pair[0] === $pair[1] || $stock[$key] = $pair;
        }
        foreach ($before->figures as $name => $value) {
            $figures[$name] = [$value, $after->figures[$name] ?? 0];
        }

        return new self(self::proposals($before, $after), self::messages($before, $after), self::late($before, $after), $stock, $figures);
    }

    /** @return list<Difference<ProposalFact>> */
    private static function proposals(Picture $before, Picture $after): array
    {
        $differences = Pairing::of($before->proposals, $after->proposals, fn (ProposalFact $fact) => "{$fact->item}\x1f{$fact->site}\x1f{$fact->kind}", [
            fn (ProposalFact $fact) => "{$fact->qty} {$fact->due} {$fact->supplier} {$fact->start} {$fact->expected}",
            fn (ProposalFact $fact) => "{$fact->qty} {$fact->due} {$fact->supplier}",
            fn (ProposalFact $fact) => (string) $fact->due,
            fn (ProposalFact $fact) => (string) $fact->qty,
            fn () => '',
        ]);
        usort($differences, fn (Difference $a, Difference $b) => self::place($a) <=> self::place($b));

        return $differences;
    }

    /** @return list<Difference<MessageFact>> */
    private static function messages(Picture $before, Picture $after): array
    {
        $differences = Pairing::of($before->messages, $after->messages, fn (MessageFact $fact) => "{$fact->item}\x1f{$fact->site}\x1f{$fact->code}\x1f{$fact->about}", [
            fn (MessageFact $fact) => "{$fact->from} {$fact->to} {$fact->qty}",
            fn (MessageFact $fact) => (string) $fact->from,
            fn () => '',
        ]);
        usort($differences, function (Difference $a, Difference $b): int {
            $one = $a->after ?? $a->before;
            $other = $b->after ?? $b->before;

            return [$one?->item, $one?->site, $one?->code, $one?->from] <=> [$other?->item, $other?->site, $other?->code, $other?->from];
        });

        return $differences;
    }

    /** @return list<Difference<LateFact>> */
    private static function late(Picture $before, Picture $after): array
    {
        return Pairing::of($before->late, $after->late, fn (LateFact $fact) => "{$fact->order}\x1f{$fact->line}", [fn (LateFact $fact) => "{$fact->due} {$fact->expected} {$fact->qty}", fn () => '']);
    }

    /**
     * @param  Difference<ProposalFact>  $difference
     * @return array{string, string, int}
     */
    private static function place(Difference $difference): array
    {
        $fact = $difference->after ?? $difference->before;

        return $fact === null ? ['', '', 0] : [$fact->item, $fact->site, $fact->due];
    }
}
