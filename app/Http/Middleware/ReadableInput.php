<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Refuses what nobody types before anything reads it: text that is none (bytes that are no UTF-8, NUL), and lists in an address, where
 * every field is one value. What the fields mean is for the controllers.
 */
final class ReadableInput
{
    public function handle(Request $request, Closure $next): Response
    {
        $isText = fn (string $text) => mb_check_encoding($text, 'UTF-8') && ! str_contains($text, "\0");
        $sound = $isText(rawurldecode($request->path()));
        foreach ($request->query() as $value) {
            $sound = $sound && ($value === null || (is_string($value) && $isText($value)));
        }
        $given = $request->isJson() ? $request->json()->all() : $request->request->all();
        array_walk_recursive($given, function (mixed $value, int|string $name) use (&$sound, $isText): void {
            $sound = $sound && $isText((string) $name) && (! is_string($value) || $isText($value));
        });
        abort_unless($sound, 400, (string) trans('This could not be read. Nothing was changed.'));

        return $next($request);
    }
}
