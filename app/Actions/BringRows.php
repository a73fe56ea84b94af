<?php

declare(strict_types=1);

namespace App\Actions;

use App\Intake\BroughtTable;
use App\Models\User;
use App\Planning\ChangeRights;
use App\Reading\MasterData;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Support\Phrase;

/** Writes the rows of a table that somebody brings, all or none, as one commit that can be taken back. */
final readonly class BringRows
{
    public function __construct(private CommitChanges $commit)
    {
    }

    /**
     * @param  list<string>|null  $mapping  see {@see BroughtTable::look()}
     * @param  array{int, int}  $seen  how many were new, and changed, when the person looked
     * @return array<string, mixed> Told
     *
     * @throws Refused when something of it is wrong, differs from what the person saw, or is not theirs to write
     */
    public function __invoke(
        string $kind, BroughtTable $table, ?array $mapping, ?bool $hasHead, ?string $decimal, array $seen, string $key, User $by,
    ): array {
        ChangeRights::mayBring($by, MasterData::KINDS[$kind]) || throw Refused::because('intake.forbidden', [], 'forbidden');

        return Idempotency::once($key, 'bring', $by, function () use ($kind, $table, $mapping, $hasHead, $decimal, $seen, $by): array {
            $rows = $table->look($mapping, $hasHead, $decimal);
            $rows->ambiguous === null || throw Refused::because('intake.ambiguous', ['number' => $rows->ambiguous], 'decimal');
            $rows->missing === [] || throw Refused::because('intake.missing', ['columns' => implode(', ', $rows->missing)], 'columns');
            $rows->wrong === 0 || throw Refused::because('intake.wrong', ['count' => $rows->wrong, 'row' => $rows->rows[0]->row, 'what' => $rows->rows[0]->what], 'wrong');
            $rows->new + $rows->changed > 0 || throw Refused::because('intake.nothing', [], 'none');
            [$rows->new, $rows->changed] === $seen || throw Refused::because('intake.moved', [], 'stale');
            $said = Words::say(new Phrase('journal.brought', [
                'kind' => (string) trans("data.kinds.{$kind}.many"), 'new' => $rows->new, 'changed' => $rows->changed,
            ]));
            ($this->commit)([[$table->change()]], [], $by, $said);

            return get_object_vars(new Told("{$said}."));
        });
    }
}
