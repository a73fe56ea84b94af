<?php

declare(strict_types=1);

namespace App\Planning;

use RuntimeException;
use Yposta\Core\Bundle\BundleReader;
use ZipArchive;

/** Opens a bundle, a folder or a zip of CSV files, as streams. Files of other kinds are left alone. */
final class BundleFolder
{
    /** What a zip may unpack to, in bytes. */
    public const LARGEST = 1 << 30;

    /**
     * @param  int  $largest  bytes that a zip may unpack to
     * @return array<string, resource> by file name
     *
     * @throws RuntimeException when there is no such folder or zip, or it cannot be read
     */
    public static function open(string $path, int $largest = self::LARGEST): array
    {
        if (is_dir($path)) {
            return self::folder($path);
        }
        if (is_file($path) && str_ends_with(strtolower($path), '.zip')) {
            return self::zip($path, $largest);
        }
        throw new RuntimeException("{$path} is neither a folder nor a zip");
    }

    /** @return array<string, resource> */
    private static function folder(string $path): array
    {
        $streams = [];
        foreach (glob(rtrim($path, '/').'/*.csv') ?: [] as $file) {
            $stream = @fopen($file, 'r');
            if ($stream === false) {
                throw new RuntimeException(basename($file).' cannot be read');
            }
            $streams[basename($file)] = $stream;
        }

        return $streams;
    }

    /** @return array<string, resource> */
    private static function zip(string $path, int $largest): array
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new RuntimeException(basename($path).' is not a zip');
        }
        $left = $largest;
        $streams = [];
        for ($place = 0; $place < $zip->numFiles; $place++) {
            $name = basename((string) $zip->getNameIndex($place));
            if (! in_array($name, BundleReader::files(), true)) {
                continue;
            }
            $source = $zip->getStreamIndex($place);
            $copy = fopen('php://temp', 'w+');
            if ($source === false || $copy === false) {
                throw new RuntimeException("{$name} cannot be read from the zip");
            }
            $left -= (int) stream_copy_to_stream($source, $copy, $left + 1);
            if ($left < 0) {
                throw new RuntimeException('the zip unpacks to more than '.number_format($largest / (1 << 20)).' MiB');
            }
            rewind($copy);
            $streams[$name] = $copy;
        }

        return $streams;
    }
}
