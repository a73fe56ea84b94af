<?php

declare(strict_types=1);

use Tests\Browser\Application;
use Tests\TestCase;

pest()->extend(TestCase::class)->in('Feature');

pest()->beforeEach(fn () => Application::running()->restore())->in('Browser');

/** A folder with the files given, gone after the test. */
function folderWith(array $files): string
{
    $folder = sys_get_temp_dir().'/yposta-'.bin2hex(random_bytes(6));
    mkdir($folder);
    foreach ($files as $name => $text) {
        file_put_contents("{$folder}/{$name}", $text);
    }
    register_shutdown_function(fn () => array_map(unlink(...), glob("{$folder}/*") ?: []) && @rmdir($folder));

    return $folder;
}

/** A key under which something is asked for once. */
function freshKey(): string
{
    return bin2hex(random_bytes(12));
}
