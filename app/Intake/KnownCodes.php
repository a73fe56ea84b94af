<?php

declare(strict_types=1);

namespace App\Intake;

use Illuminate\Support\Facades\DB;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\Surroundings;
use Yposta\Core\Network\Item;
use Yposta\Core\Reference\Reference;

/** The codes that stand in the tables, as what a row that is brought stands among. Read when the first row names one. */
final class KnownCodes implements Surroundings
{
    /** @var array<class-string, array<string, int>> by class; of items their decimals */
    private array $codes = [];

    public function knows(string $class, string $code): bool
    {
        return isset($this->of($class)[$code]);
    }

    public function decimals(string $item): int
    {
        return $this->of(Item::class)[$item] ?? Decimal::FINEST;
    }

    public function holds(Reference $reference): bool
    {
        return true;
    }

    /**
     * @param  class-string  $class
     * @return array<string|int, int>
     */
    private function of(string $class): array
    {
        $codes = fn () => DB::table(Declaration::of($class)->file->table)->pluck($class === Item::class ? 'decimals' : DB::raw('0 as zero'), 'code');

        return $this->codes[$class] ??= $codes()->map(fn (mixed $value) => is_numeric($value) ? (int) $value : 0)->all();
    }
}
