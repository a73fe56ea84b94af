<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Draft;
use App\Models\User;
use App\Planning\DraftLines;
use App\Planning\NewCodes;
use App\Planning\Touched;
use App\Planning\Trials\Desk;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Trial\Trial;

/**
 * Adds lines to a person's draft, drops them, and goes back and forth among its steps. Nothing else is written.
 *
 * @phpstan-import-type Line from Draft
 */
final readonly class EditDraft
{
    private const MOST_LINES = 60;

    private const MOST_STEPS = 50;

    public function __construct(private Desk $desk)
    {
    }

    /**
     * Adds a line of changes that belong together.
     *
     * @param  list<array<mixed>>  $changes  as {@see ChangeCodec} keeps them
     * @param  string|null  $title  what it is called, where that says more than the changes
     *
     * @throws Refused when a change is not sound, or does not fit what the draft has made so far
     */
    public function add(User $by, array $changes, ?string $title): Draft
    {
        if ($changes === []) {
            throw new Refused('There is nothing to try. The draft is as it was.');
        }
        $decoded = [];
        foreach ($changes as $fields) {
            try {
                $decoded[] = ChangeCodec::decode($fields);
            } catch (InvalidArgumentException $trouble) {
                throw new Refused(ucfirst($trouble->getMessage()).'. The draft is as it was.', 'change');
            }
        }
        $seen = Touched::by($decoded, $this->desk->live()->network());

        return $this->edit($by, function (array $lines) use ($decoded, $seen, $title): array {
            if (count($lines) >= self::MOST_LINES) {
                throw new Refused('A draft takes up to '.self::MOST_LINES.' lines. Commit or keep it first; nothing was added.');
            }
            $decoded = $this->desk->drafted(DraftLines::changes($lines), function (Trial $trial) use ($decoded): array {
                $decoded = NewCodes::fresh($decoded, $trial->network());
                try {
                    (new Changes($decoded))->apply($trial->network());
                } catch (DoesNotFit $trouble) {
                    throw new Refused(ucfirst($trouble->getMessage()).'. The draft is as it was.', 'fit');
                }

                return $decoded;
            });
            $ids = array_column($lines, 'id');

            return [...$lines, ['id' => $ids === [] ? 1 : max($ids) + 1, 'changes' => array_map(ChangeCodec::encode(...), $decoded), 'seen' => $seen, 'title' => $title]];
        });
    }

    public function drop(User $by, int $id): Draft
    {
        return $this->edit($by, fn (array $lines) => array_values(array_filter($lines, fn (array $line) => $line['id'] !== $id)));
    }

    /** Takes a line over although someone else has changed what it speaks of since. */
    public function accept(User $by, int $id): Draft
    {
        $network = $this->desk->live()->network();

        return $this->edit($by, fn (array $lines) => array_map(fn (array $line) => $line['id'] === $id ? [...$line, 'seen' => Touched::look(array_map(strval(...), array_keys($line['seen'])), $network)] : $line, $lines));
    }

    public function discard(User $by): Draft
    {
        return $this->edit($by, fn () => []);
    }

    /** One step back, or forth again; stays where it is when there is none. */
    public function step(User $by, bool $back): Draft
    {
        return DB::transaction(function () use ($by, $back): Draft {
            $draft = $this->locked($by);
            [$past, $future] = [$draft->past ?? [], $draft->future ?? []];
            if ($back && $past !== []) {
                $lines = array_pop($past);
                $future[] = $draft->lines;
            } elseif (! $back && $future !== []) {
                $lines = array_pop($future);
                $past[] = $draft->lines;
            } else {
                return $draft;
            }
            $draft->update(['lines' => $lines, 'past' => $past, 'future' => $future, 'version' => $draft->version + 1]);

            return $draft;
        });
    }

    /** @param  callable(list<Line>): list<Line>  $edit */
    private function edit(User $by, callable $edit): Draft
    {
        return DB::transaction(function () use ($by, $edit): Draft {
            $draft = $this->locked($by);
            $lines = $edit($draft->lines);
            if ($lines !== $draft->lines) {
                $draft->update(['lines' => $lines, 'past' => array_slice([...$draft->past ?? [], $draft->lines], -self::MOST_STEPS), 'future' => [], 'version' => $draft->version + 1]);
            }

            return $draft;
        });
    }

    private function locked(User $by): Draft
    {
        return Draft::query()->where('user_id', $by->id)->lockForUpdate()->first()
            ?? Draft::query()->create(['user_id' => $by->id, 'lines' => [], 'past' => [], 'future' => [], 'version' => 1]);
    }
}
