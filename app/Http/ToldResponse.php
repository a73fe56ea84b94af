<?php

declare(strict_types=1);

namespace App\Http;

use App\Support\Refused;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * An answer that is told while it is worked out: a line of JSON for each thing found, the last one with the trouble where there was some.
 */
final class ToldResponse
{
    /** @param  callable(callable(array<mixed>): void): mixed  $find  is given what it tells each to */
    public static function of(callable $find): StreamedResponse
    {
        return response()->stream(function () use ($find): void {
            $tell = function (array $found): void {
                echo json_encode($found, JSON_THROW_ON_ERROR), "\n";
                ob_get_level() > 0 && ob_flush();
                flush();
            };
            try {
                $find($tell);
            } catch (Refused $trouble) {
                $tell(['trouble' => $trouble->sentence()]);
            }
        }, 200, ['Content-Type' => 'application/x-ndjson', 'X-Accel-Buffering' => 'no']);
    }
}
