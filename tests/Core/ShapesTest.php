<?php

declare(strict_types=1);

use App\Console\Types\TypeScript;

enum Fruit: string
{
    case Apple = 'apple';
    case Pear = 'pear';
}

/** A basket of fruit. */
final readonly class Basket
{
    /**
     * @param  list<Fruit>  $fruits
     * @param  array{weight: string, sort: 'sweet'|'sour'|value-of<Fruit>, next?: Basket|null}  $more
     * @param  array<string, int>  $counts
     */
    public function __construct(
        public string $name,
        public ?Fruit $best,
        public Fruit|bool $other,
        public array $fruits,
        public array $more,
        public array $counts,
    ) {
    }
}

/** What everybody knows. */
final class Knowledge
{
    /** @return list<string> */
    public function names(): array
    {
        return [];
    }

    public function basket(): ?Basket
    {
        return null;
    }
}

final readonly class Unsaid
{
    public function __construct(public DateTimeInterface $when)
    {
    }
}

it('writes interfaces of classes and unions of enums', function () {
    expect((new TypeScript)->declare([Basket::class], ['Shared' => Knowledge::class]))->toBe(<<<'TS'
        export type Fruit = 'apple' | 'pear';

        /** A basket of fruit. */
        export interface Basket {
            name: string;
            best: Fruit | null;
            other: Fruit | boolean;
            fruits: Fruit[];
            more: { weight: string; sort: 'sweet' | 'sour' | Fruit; next?: Basket | null };
            counts: Record<string, number>;
        }

        /** What everybody knows. */
        export interface Shared {
            names: string[];
            basket: Basket | null;
        }

        TS);
});

it('refuses what TypeScript would not know', function (array $classes, string $says) {
    expect(fn () => (new TypeScript)->declare($classes, []))->toThrow(UnexpectedValueException::class, $says);
})->with([
    'a class that is not sent' => [[Unsaid::class], 'DateTimeInterface'],
    'a class used but not among those sent' => [[(new class(new Basket('', null, true, [], ['weight' => '', 'sort' => 'sweet'], []))
    {
        public function __construct(public Basket $basket)
        {
        }
    })::class], 'not sent itself'],
]);
