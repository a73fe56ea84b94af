<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\LiveNetwork;
use App\Reading\Shapes\Posted;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Words;
use App\Support\WriteTurn;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Support\Phrase;

/** Says that a job really wants some of its lines, or all that have an item, or no longer: from then on they are planned, or not. */
final readonly class ApproveJobLines
{
    public function __construct(private CommitChanges $commit, private LiveNetwork $data)
    {
    }

    /**
     * @param  list<string>|null  $lines  null for all that can be
     * @return array<string, mixed> Posted
     *
     * @throws Refused when there is no such line, one has no item yet, or the person may not
     */
    public function __invoke(string $job, ?array $lines, bool $approve, string $key, User $by): array
    {
        return Idempotency::once($key, 'approve job', $by, function () use ($job, $lines, $approve, $by): array {
            WriteTurn::take();
            $own = array_filter($this->data->read()->jobLines, fn (JobLine $line) => $line->job === $job);
            $chosen = array_filter($own, fn (JobLine $line) => $lines === null
                ? $line->item !== null && $line->issued === 0
                : in_array($line->line, $lines, true));
            $lines === null || count($chosen) === count(array_unique($lines)) || throw Refused::because('job.no_line', ['job' => $job], 'none');
            $rows = [];
            foreach ($chosen as $line) {
                $line->item === null && throw Refused::because('job.placeholder', ['line' => $line->reference()->name], 'placeholder');
                $line->approved === $approve || $rows[] = $line->with(approved: $approve);
            }
            $rows === [] && throw Refused::because($approve ? 'job.all_approved' : 'job.none_approved', ['job' => $job], 'none');
            $text = Words::say(new Phrase($approve ? 'journal.job.approved' : 'journal.job.not_approved', [
                'job' => $job, 'count' => count($rows), 'lines' => implode(', ', array_map(fn (JobLine $line) => $line->line, $rows)),
            ]));
            $written = ($this->commit)([[new PutRows(JobLine::class, $rows)]], [], $by, $text);

            return get_object_vars(new Posted($text, $written['commit']));
        });
    }
}
