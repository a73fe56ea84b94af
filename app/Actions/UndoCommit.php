<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\ChangeWriter;
use App\Planning\LinesCheck;
use App\Planning\NetworkReader;
use App\Support\Idempotency;
use App\Support\Journal;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\ReleaseOrder;

/** Takes back what was committed, as a whole, as long as nothing of it has moved on since. */
final readonly class UndoCommit
{
    public function __construct(private NetworkReader $reader, private ChangeWriter $writer)
    {
    }

    /**
     * @return array<string, mixed> `message`
     *
     * @throws Refused when it was undone already, or an order was started, sent or changed since
     */
    public function __invoke(int $id, string $key, User $by): array
    {
        return Idempotency::once($key, 'undo', $by, function () use ($id, $by): array {
            $commit = DB::table('commits')->where('id', $id)->lockForUpdate()->first() ?? throw new Refused('There is no such commit. Nothing was changed.');
            if ($commit->undone_at !== null) {
                throw new Refused('This was undone already. Nothing was changed.', 'undone');
            }
            $inverse = array_map(ChangeCodec::decode(...), array_values((array) json_decode($commit->inverse, true, 512, JSON_THROW_ON_ERROR)));
            foreach ($inverse as $change) {
                if ($change instanceof ReleaseOrder) {
                    throw new Refused("{$change->order} was started or sent. What was committed with it cannot be undone; nothing was changed.", 'moved');
                }
            }
            $before = $this->reader->read();
            [$check] = LinesCheck::of([$inverse], [(array) json_decode((string) $commit->touched, true, 512, JSON_THROW_ON_ERROR)], $before, $by);
            if ($check->moved !== []) {
                throw new Refused("{$check->movedNames()} was started, sent or changed since. It can only be undone as a whole, so nothing was changed.", 'moved');
            }
            if (! $check->may) {
                throw new Refused('Part of this is not yours to write. Nothing was changed.', 'forbidden');
            }
            if ($check->trouble !== null) {
                throw new Refused(ucfirst($check->trouble).'. It can only be undone as a whole, so nothing was changed.', 'fit');
            }
            $this->writer->write($before, (new Changes($inverse))->apply($before), $by);
            DB::table('commits')->where('id', $id)->update(['undone_at' => now(), 'undone_by' => $by->id]);
            $sentences = (array) json_decode($commit->sentences, true, 512, JSON_THROW_ON_ERROR);
            Journal::write('undo', 'Undone: '.implode('; ', array_map(strval(...), $sentences)), $by, null, ['commit' => $id]);

            return ['message' => count($sentences) === 1 ? 'Undone.' : count($sentences).' changes undone.'];
        });
    }
}
