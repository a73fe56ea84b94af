<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Planning\LiveNetwork;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\IssueToJob;
use Yposta\Core\Study\ReturnFromJob;
use Yposta\Core\Support\Phrase;

/** Gives a job from stock what its lines want, or takes it back. */
final readonly class SupplyJob
{
    public function __construct(private PostStock $post, private LiveNetwork $data)
    {
    }

    /**
     * @param  list<array{line: string, qty: int}>  $lines  millionths; below zero for what comes back
     * @param  string|null  $day  ISO date; null for today
     * @param  bool  $sure  whether the person has seen that the books have less
     * @return array<string, mixed> Posted
     *
     * @throws Refused when there is not so much, it is held for others, or the job does not want it
     */
    public function __invoke(string $job, array $lines, ?string $day, string $note, string $key, User $by, bool $sure = false): array
    {
        return ($this->post)('supply job', $day, $key, $by, function () use ($job, $lines, $day, $note, $sure): array {
            $network = $this->data->read();
            $changes = $said = [];
            foreach ($lines as ['line' => $line, 'qty' => $qty]) {
                $said[] = $this->said($network, $job, $line, $qty);
                if ($qty < 0) {
                    $changes[] = $back = new ReturnFromJob($job, $line, -$qty);
                    $network = PostedChange::apply($back, $network);
                } else {
                    [$changes[], $network] = PostedChange::take(new IssueToJob($job, $line, $qty), $network, $sure);
                }
            }

            return [$changes, implode('; ', $said), new Booking($note, $day)];
        });
    }

    private function said(Network $network, string $job, string $line, int $qty): string
    {
        $found = array_filter($network->jobLines, fn (JobLine $row) => $row->job === $job && $row->line === $line);
        $item = (reset($found) ?: null)->item ?? '';

        return Words::say(new Phrase($qty < 0 ? 'journal.job.returned' : 'journal.job.issued', [
            'line' => "{$job}/{$line}", 'item' => $item, 'qty' => new Amount(abs($qty), $network->items[$item]->unit ?? ''),
        ]));
    }
}
