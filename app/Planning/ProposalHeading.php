<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Network\OrderKind;

/** Under what proposals stand together: what one supplier sends to a site, what is made at a site, what moves between two. */
final readonly class ProposalHeading
{
    private const PART = "\x1f";

    private function __construct(public OrderKind $kind, public ?string $supplier, public ?string $fromSite, public string $site)
    {
    }

    public static function of(?OrderKind $kind, ?string $supplier, ?string $fromSite, string $site): self
    {
        return match ($kind ?? OrderKind::Buy) {
            OrderKind::Buy => new self(OrderKind::Buy, $supplier, null, $site),
            OrderKind::Make => new self(OrderKind::Make, null, null, $site),
            OrderKind::Transfer => new self(OrderKind::Transfer, null, $fromSite, $site),
        };
    }

    public static function parse(string $key): self
    {
        [$kind, $other, $site] = [...explode(self::PART, $key), '', ''];

        return self::of(OrderKind::from($kind), $other === '' ? null : $other, $other === '' ? null : $other, $site);
    }

    /** As it is kept with a proposal; the separator occurs in no code. */
    public function key(): string
    {
        return implode(self::PART, [$this->kind->value, $this->supplier ?? $this->fromSite ?? '', $this->site]);
    }

    /**
     * What it is sorted by: suppliers by their names, then what moves, then what is made.
     *
     * @param  array<string, string>  $suppliers  names by code
     * @return list<int|string>
     */
    public function place(array $suppliers): array
    {
        return [
            match ($this->kind) {
                OrderKind::Buy => 0,
                OrderKind::Transfer => 1,
                OrderKind::Make => 2,
            },
            $suppliers[(string) $this->supplier] ?? '', (string) $this->supplier, (string) $this->fromSite, $this->site,
        ];
    }
}
