<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Run;
use App\Models\User;
use App\Planning\LiveNetwork;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Words;
use App\Support\WriteTurn;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\ForecastName;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Support\Phrase;

/** Names a forecast, says what it is for and of which days it speaks, or takes it away with all its figures. */
final readonly class KeepForecast
{
    public function __construct(private CommitChanges $commit, private LiveNetwork $data)
    {
    }

    /**
     * @param  string|null  $begins  ISO date of the first day that it speaks of
     * @param  string|null  $ends  of the last
     * @param  bool  $isNew  whether there must be none of that name yet
     * @return array<string, mixed> what was committed
     *
     * @throws Refused when the name is taken or the days do not fit
     */
    public function keep(string $code, string $purpose, ?string $begins, ?string $ends, bool $isNew, string $key, User $by): array
    {
        $day = fn (?string $iso): ?int => $iso === null ? null : Day::parse($iso);
        $name = ForecastName::of(code: trim($code), purpose: trim($purpose), begins: $day($begins), ends: $day($ends));

        return Idempotency::once($key, 'keep forecast', $by, function () use ($name, $isNew, $by): array {
            WriteTurn::take();
            $network = $this->data->read();
            $isKnown = isset($network->forecastNames[$name->code]) || $this->figures($name->code) !== [];
            $isNew && $isKnown && throw Refused::because('forecast.known', ['forecast' => $name->code], 'known');

            return $this->write([new PutRows(ForecastName::class, [$name])], new Phrase('journal.forecast_kept', ['forecast' => $name->code]), $by);
        });
    }

    /**
     * @return array<string, mixed> what was committed
     *
     * @throws Refused when the live plan counts it
     */
    public function takeAway(string $forecast, string $key, User $by): array
    {
        return Idempotency::once($key, 'take forecast away', $by, function () use ($forecast, $by): array {
            WriteTurn::take();
            in_array($forecast, (array) (Run::live()->parameters['forecasts'] ?? []), true)
                && throw Refused::because('forecast.counted', ['forecast' => $forecast], 'counted');
            $figures = $this->figures($forecast);
            $changes = $figures === [] ? [] : [new PutRows(ForecastBucket::class, [], $figures)];
            isset($this->data->read()->forecastNames[$forecast]) && $changes[] = new PutRows(ForecastName::class, [], [[$forecast]]);
            $changes === [] && throw Refused::because('forecast.none_named', ['forecast' => $forecast], 'none');

            return $this->write($changes, new Phrase('journal.forecast_gone', ['forecast' => $forecast, 'count' => count($figures)]), $by);
        });
    }

    /** @return list<list<string>> see {@see Declaration::identity()} */
    private function figures(string $forecast): array
    {
        $declaration = Declaration::of(ForecastBucket::class);
        $own = array_filter($this->data->read()->forecasts, fn (ForecastBucket $bucket) => $bucket->forecast === $forecast);

        return array_values(array_map($declaration->identity(...), $own));
    }

    /**
     * @param  non-empty-list<Change>  $changes
     * @return array<string, mixed>
     */
    private function write(array $changes, Phrase $said, User $by): array
    {
        $text = Words::say($said);

        return ['commit' => ($this->commit)([$changes], [], $by, $text)['commit'], 'figures' => 0, 'text' => $text];
    }
}
