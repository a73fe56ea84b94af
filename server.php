<?php

declare(strict_types=1);

/*
 * What PHP's own server asks for each request: a file of public/ as it is, with the headers of every answer, else the application.
 */
(function (): void {
    $path = rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH));
    $file = realpath(__DIR__.'/public'.$path);
    $types = [
        'css' => 'text/css; charset=utf-8', 'ico' => 'image/x-icon', 'js' => 'text/javascript; charset=utf-8', 'json' => 'application/json',
        'png' => 'image/png', 'svg' => 'image/svg+xml', 'txt' => 'text/plain; charset=utf-8', 'webp' => 'image/webp',
        'woff2' => 'font/woff2',
    ];
    $type = $file === false ? null : $types[pathinfo($file, PATHINFO_EXTENSION)] ?? null;
    header_remove('X-Powered-By');
    if ($type === null || ! str_starts_with($file, __DIR__.'/public/') || ! is_file($file)) {
        require __DIR__.'/public/index.php';

        return;
    }
    foreach (require __DIR__.'/config/headers.php' as $name => $value) {
        header("{$name}: {$value}");
    }
    header("Content-Type: {$type}");
    header('Content-Length: '.filesize($file));
    header(str_starts_with($path, '/build/assets/') // their names change with what they hold
        ? 'Cache-Control: public, max-age=31536000, immutable'
        : 'Cache-Control: public, max-age=3600');
    readfile($file);
})();
