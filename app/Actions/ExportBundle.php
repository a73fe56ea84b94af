<?php

declare(strict_types=1);

namespace App\Actions;

use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use App\Support\Settings;
use App\Support\Snapshot;
use RuntimeException;
use Yposta\Core\Bundle\BundleWriter;
use Yposta\Core\Bundle\CsvLines;
use Yposta\Core\Calendar\Day;
use ZipArchive;

/** Writes the live data as a bundle, with the settings of the installation; imported again it gives the same plan. */
final readonly class ExportBundle
{
    public function __construct(private NetworkReader $reader)
    {
    }

    /**
     * @param  string  $path  a folder, which is made, or a file that ends in .zip
     * @return list<string> the names of the files written
     *
     * @throws RuntimeException when it cannot be written
     */
    public function __invoke(string $path): array
    {
        [$network, $parameters] = Snapshot::read(fn () => [$this->reader->read(), Settings::get(Settings::RUN_DEFAULTS, [])]);
        $length = isset($parameters['horizonEnd'], $parameters['planDate'])
            ? Day::parse($parameters['horizonEnd']) - Day::parse($parameters['planDate'])
            : null;
        $parameters['planDate'] = Settings::planDate();
        $parameters['horizonEnd'] = $length === null ? null : Day::format(Day::parse($parameters['planDate']) + $length);
        $files = [];
        foreach ((new BundleWriter(
            $network,
            RunParameters::options($parameters),
        ))->files() as $name => ['columns' => $columns, 'rows' => $rows]) {
            $files[$name] = self::csv([$columns, ...$rows]);
        }
        str_ends_with(strtolower($path), '.zip') ? $this->zip($path, $files) : $this->folder($path, $files);

        return array_keys($files);
    }

    /** @param  list<list<string>>  $rows */
    private static function csv(array $rows): string
    {
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('no room for the bundle');
        (new CsvLines($stream))->write($rows);
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /** @param  array<string, string>  $files */
    private function folder(string $path, array $files): void
    {
        if (! is_dir($path) && ! @mkdir($path, 0o777, true)) {
            throw new RuntimeException("{$path} cannot be made");
        }
        foreach ($files as $name => $text) {
            if (@file_put_contents("{$path}/{$name}", $text) === false) {
                throw new RuntimeException("{$path}/{$name} cannot be written");
            }
        }
    }

    /** @param  array<string, string>  $files */
    private function zip(string $path, array $files): void
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException("{$path} cannot be written");
        }
        foreach ($files as $name => $text) {
            $zip->addFromString($name, $text);
        }
        $zip->close();
    }
}
