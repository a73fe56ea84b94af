<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Draft;
use App\Models\User;
use App\Support\Refused;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\InvalidChange;
use Yposta\Core\Study\SoundChange;

/**
 * Adds lines to a person's draft, drops them, and goes back and forth among its steps. Nothing else is written.
 *
 * @phpstan-import-type Line from Draft
 */
final readonly class EditDraft
{
    private const MOST_LINES = 60;

    private const MOST_STEPS = 50;

    /** How often a line is fitted anew when the draft changes meanwhile. */
    private const ATTEMPTS = 3;

    public function __construct(private PlanClient $plans)
    {
    }

    /**
     * Adds a line of changes that belong together.
     *
     * @param  list<array<mixed>>  $changes  as {@see ChangeCodec} keeps them
     * @param  string|null  $title  what it is called, where that says more than the changes; such a line was worked out, not typed
     * @param  bool  $sure  whether the person has seen that a quantity is far from what stood there
     *
     * @throws Refused when a change is not sound
     * @throws Refused when it does not fit what the draft has made so far
     */
    public function add(User $by, array $changes, ?string $title, bool $sure = false): Draft
    {
        if ($changes === []) {
            throw Refused::because('draft.nothing');
        }
        $decoded = [];
        foreach ($changes as $fields) {
            try {
                $decoded[] = SoundChange::decode($fields);
            } catch (InvalidChange $trouble) {
                throw Refused::because('draft.change', ['trouble' => $trouble->phrase()], 'change');
            }
        }

        $encoded = array_map(ChangeCodec::encode(...), $decoded);
        for ($attempt = 1; ; $attempt++) {
            $asked = Draft::of($by)->lines ?? [];
            if (count($asked) >= self::MOST_LINES) {
                throw Refused::because('draft.full', ['most' => self::MOST_LINES]);
            }
            // asked before the draft is locked: whoever answers may have to read what others write
            $fit = $this->plans->ask(PlanQuestion::Fit, lines: $asked, changes: $encoded);
            $sure
                || $title !== null
                || $fit['far'] === []
                || throw Refused::because('draft.far', ['lines' => implode('; ', $fit['far'])], 'absurd', ['lines' => $fit['far']]);
            $sure
                || $fit['lacks'] === []
                || throw Refused::because('draft.lacks', ['lines' => implode('; ', $fit['lacks'])], 'lacks', ['lines' => $fit['lacks']]);
            $ids = array_column($asked, 'id');
            $line = ['id' => $ids === [] ? 1 : max($ids) + 1, 'changes' => $fit['changes'], 'seen' => $fit['seen'], 'title' => $title];
            $added = false;
            $draft = $this->edit($by, function (array $lines) use ($asked, $line, &$added): array {
                $added = $lines === $asked;

                return $added ? [...$lines, $line] : $lines;
            });
            if ($added) {
                return $draft;
            }
            if ($attempt === self::ATTEMPTS) {
                throw Refused::because('draft.busy', [], 'stale');
            }
        }
    }

    public function drop(User $by, int $id): Draft
    {
        return $this->edit($by, fn (array $lines) => array_values(array_filter($lines, fn (array $line) => $line['id'] !== $id)));
    }

    /** Takes a line over although someone else has changed what it speaks of since. */
    public function accept(User $by, int $id): Draft
    {
        $lines = array_column(Draft::of($by)->lines ?? [], null, 'id');
        $seen = $this->plans->ask(PlanQuestion::Look, names: array_map(strval(...), array_keys($lines[$id]['seen'] ?? [])));

        return $this->edit(
            $by,
            fn (array $lines) => array_map(fn (array $line) => $line['id'] === $id ? [...$line, 'seen' => $seen] : $line, $lines),
        );
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
                $draft->update([
                    'lines' => $lines, 'past' => array_slice([...$draft->past ?? [], $draft->lines], -self::MOST_STEPS),
                    'future' => [], 'version' => $draft->version + 1,
                ]);
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
