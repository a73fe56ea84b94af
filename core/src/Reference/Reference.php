<?php

declare(strict_types=1);

namespace Yposta\Core\Reference;

use Stringable;
use Yposta\Core\Support\Phrase;

/**
 * The name by which one speaks of a demand or a supply (section 9): `stock:ITEM@SITE`, `order:ORDER`, `proposal:N`, `sales:ORDER/LINE`,
 * `forecast:NAME/START`, `job:JOB/LINE`, `part:ORDER/LINE`, `part:proposal:N/LINE`, `out:ORDER`, `out:proposal:N`, `safety:ITEM@SITE`.
 *
 * Codes may hold the separators themselves, so that a text alone does not always tell where its first part ends: {@see parts()} has all
 * ways to part it, and what a network holds decides between them.
 */
final readonly class Reference implements Stringable
{
    private const PROPOSAL = 'proposal:';

    private function __construct(public ReferenceKind $kind, public string $name)
    {
    }

    /** @throws InvalidReference when the kind is not known, or a part is missing */
    public static function parse(string $text): self
    {
        return self::tryParse($text) ?? throw new InvalidReference(new Phrase('reference.none', ['text' => mb_substr($text, 0, 60)]));
    }

    public static function tryParse(string $text): ?self
    {
        $colon = strpos($text, ':');
        $kind = $colon === false ? null : ReferenceKind::tryFrom(substr($text, 0, $colon));
        if ($kind === null || preg_match('/[\x00-\x1f\x7f]/', $text) === 1) {
            return null;
        }
        $reference = new self($kind, substr($text, (int) $colon + 1));
        $sound = match (true) {
            $kind === ReferenceKind::Proposal => preg_match('/^[1-9]\d{0,17}$/D', $reference->name) === 1,
            $kind->separator() === null => $reference->name !== '',
            default => $reference->parts() !== [],
        };
        if (in_array($kind, [ReferenceKind::Part, ReferenceKind::Out], true) && str_starts_with($reference->name, self::PROPOSAL)) {
            $sound = $reference->ofProposal() !== null;
        }

        return $sound ? $reference : null;
    }

    public static function stock(string $item, string $site): self
    {
        return new self(ReferenceKind::Stock, "{$item}@{$site}");
    }

    public static function safety(string $item, string $site): self
    {
        return new self(ReferenceKind::Safety, "{$item}@{$site}");
    }

    public static function order(string $code): self
    {
        return new self(ReferenceKind::Order, $code);
    }

    public static function proposal(int|string $number): self
    {
        return new self(ReferenceKind::Proposal, (string) $number);
    }

    public static function sales(string $order, string $line): self
    {
        return new self(ReferenceKind::Sales, "{$order}/{$line}");
    }

    /** @param  string  $start  ISO date of the bucket, or of the day of the part when it is spread */
    public static function forecast(string $name, string $start): self
    {
        return new self(ReferenceKind::Forecast, "{$name}/{$start}");
    }

    public static function job(string $job, string $line): self
    {
        return new self(ReferenceKind::Job, "{$job}/{$line}");
    }

    public static function part(string $order, string $line): self
    {
        return new self(ReferenceKind::Part, "{$order}/{$line}");
    }

    public static function out(string $order): self
    {
        return new self(ReferenceKind::Out, $order);
    }

    /** How the inputs of a proposal name it in the place of an order's code. */
    public static function proposalAsOrder(int|string $number): string
    {
        return self::PROPOSAL.$number;
    }

    /** What a demand or supply with a name of two parts, or of one, is called by. */
    public static function of(ReferenceKind $kind, string $name, string $line = ''): self
    {
        return new self($kind, $line === '' ? $name : "{$name}/{$line}");
    }

    /**
     * Every way to part the name into its two parts, the shortest first part first; empty where it has only one.
     *
     * @return list<array{string, string}>
     */
    public function parts(): array
    {
        $separator = $this->kind->separator();
        $parts = [];
        for ($at = $separator === null
            ? false
            : strpos($this->name, $separator, 1); $at !== false; $at = strpos($this->name, (string) $separator, $at + 1)) {
            $at < strlen($this->name) - 1 && $parts[] = [substr($this->name, 0, $at), substr($this->name, $at + 1)];
        }

        return $parts;
    }

    /** The number of the proposal that it is, or whose input it is; null where it is of none. */
    public function ofProposal(): ?int
    {
        if ($this->kind === ReferenceKind::Proposal) {
            return (int) $this->name;
        }
        $pattern = $this->kind === ReferenceKind::Part ? '#^proposal:([1-9]\d{0,17})/.+$#Ds' : '#^proposal:([1-9]\d{0,17})$#D';

        return in_array($this->kind, [ReferenceKind::Part, ReferenceKind::Out], true) && preg_match($pattern, $this->name, $part) === 1
            ? (int) $part[1]
            : null;
    }

    /**
     * The codes of orders that it may be about, itself or by its components; none where it is about no order.
     *
     * @return list<string>
     */
    public function orders(): array
    {
        return match (true) {
            $this->ofProposal() !== null => [],
            $this->kind === ReferenceKind::Order, $this->kind === ReferenceKind::Out => [$this->name],
            $this->kind === ReferenceKind::Part => array_column($this->parts(), 0),
            default => [],
        };
    }

    /**
     * The same of an order that has another code now.
     *
     * @param  array<string, string>  $codes  new by old
     */
    public function renamed(array $codes): self
    {
        if ($this->kind === ReferenceKind::Part) {
            foreach ($this->parts() as [$order, $line]) {
                if (isset($codes[$order])) {
                    return self::part($codes[$order], $line);
                }
            }
        }

        return $this->orders() !== [] && isset($codes[$this->name]) ? new self($this->kind, $codes[$this->name]) : $this;
    }

    public function __toString(): string
    {
        return "{$this->kind->value}:{$this->name}";
    }
}
