<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\ForecastGround;
use App\Reading\Shapes\ForecastWritten;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\QuantityGuard;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Support\Phrase;

/** Writes figures of a forecast as one commit that can be taken back, however many they are. Call within a transaction. */
final readonly class WriteForecast
{
    /** So many figures are named where somebody is asked whether they are meant. */
    private const NAMED = 8;

    public function __construct(private CommitChanges $commit)
    {
    }

    /**
     * @param  list<ForecastBucket>  $rows
     * @param  bool  $sure  whether the person has seen which of them are far from what stood there
     * @param  Phrase|null  $said  what they are together; else they are said as figures that were typed
     * @return array<string, mixed> ForecastWritten
     *
     * @throws Refused when one is far from what stood there and nobody has said that it is meant, or they are not the person's to write
     */
    public function __invoke(ForecastGround $ground, array $rows, User $by, bool $sure, ?Phrase $said = null): array
    {
        $rows = array_values(array_filter($rows, fn (ForecastBucket $row) => self::differs($ground, $row)));
        if ($rows === []) {
            return get_object_vars(new ForecastWritten(null, 0, Words::say(new Phrase('journal.forecast_same'))));
        }
        $sure || $this->checkFar($ground, $rows);
        $text = Words::say($said ?? $this->said($ground, $rows));
        $written = $this->commit->on($ground->network)([[new PutRows(ForecastBucket::class, $rows)]], [], $by, $text);

        return get_object_vars(new ForecastWritten($written['commit'], count($rows), $text));
    }

    /** An empty cell that stays empty is none, except the first of an item, which brings it into the forecast. */
    private static function differs(ForecastGround $ground, ForecastBucket $row): bool
    {
        $stands = $ground->cells[ForecastGround::name($row->item, $row->site, $row->start)] ?? null;

        return $stands === null
            ? $row->qty !== 0 || ! isset($ground->sizes[Network::key($row->item, $row->site)])
            : $stands->qty !== $row->qty;
    }

    /**
     * Beside what stands in the cell, or the most that the forecast has of the item where it is empty.
     *
     * @param  list<ForecastBucket>  $rows
     *
     * @throws Refused
     */
    private function checkFar(ForecastGround $ground, array $rows): void
    {
        $far = [];
        foreach ($rows as $row) {
            $stands = $ground->cells[ForecastGround::name($row->item, $row->site, $row->start)]->qty ?? 0;
            $usual = $stands > 0 ? $stands : $ground->most[Network::key($row->item, $row->site)] ?? 0;
            $unit = $ground->item($row->item)->unit ?? '';
            if ($row->qty > 0 && $usual > 0 && QuantityGuard::isAbsurd($usual, $row->qty)) {
                $far[] = Words::say(new Phrase('refused.forecast.far_line', [
                    'item' => $row->item, 'start' => new Date($row->start), 'before' => new Amount($usual, $unit), 'after' => new Amount($row->qty, $unit),
                ]));
            }
        }
        $lines = array_slice(array_values(array_unique($far)), 0, self::NAMED);
        count($far) > count($lines) && $lines[] = Words::say(new Phrase('refused.forecast.far_more', ['count' => count($far) - count($lines)]));
        $far === [] || throw Refused::because('forecast.far', ['lines' => implode('; ', $lines)], 'absurd', ['lines' => $lines]);
    }

    /** @param  non-empty-list<ForecastBucket>  $rows */
    private function said(ForecastGround $ground, array $rows): Phrase
    {
        $row = $rows[0];
        $before = $ground->cells[ForecastGround::name($row->item, $row->site, $row->start)]->qty ?? 0;

        return count($rows) === 1
            ? new Phrase('journal.forecast', [
                'forecast' => $row->forecast, 'item' => $row->item, 'start' => new Date($row->start), 'before' => new Amount($before),
                'after' => new Amount($row->qty),
            ])
            : new Phrase('journal.forecast_many', [
                'forecast' => $row->forecast, 'count' => count($rows), 'items' => count(array_unique(array_column($rows, 'item'))),
            ]);
    }
}
