<?php

declare(strict_types=1);

namespace App\Http;

/** The names under which the application may be asked; what asks for another could make links that lead elsewhere. */
final class TrustedHosts
{
    /** @return list<string> patterns; the host of the application's address and the machine itself where none are set */
    public static function patterns(): array
    {
        $names = self::listed(config('yposta.hosts'));
        if ($names === []) {
            $names = [(string) parse_url((string) config('app.url'), PHP_URL_HOST), '127.0.0.1', 'localhost', '[::1]'];
        }

        return array_map(fn (string $name) => '^'.preg_quote($name, '/').'$', $names);
    }

    /**
     * A setting of names with commas between them.
     *
     * @return list<string>
     */
    public static function listed(mixed $setting): array
    {
        return is_string($setting) ? array_values(array_filter(array_map(trim(...), explode(',', $setting)))) : [];
    }
}
