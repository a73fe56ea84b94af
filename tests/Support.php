<?php

declare(strict_types=1);

namespace Tests;

use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Bundle\Contents;
use Yposta\Core\Bundle\PlanWriter;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Sentences;
use Yposta\Core\Planner;

/** What tests of the core share: bundles from text or folders, and plans as rows. */
final class Support
{
    /** @return resource */
    public static function stream(string $text): mixed
    {
        $stream = fopen('php://memory', 'w+');
        assert($stream !== false);
        fwrite($stream, $text);
        rewind($stream);

        return $stream;
    }

    /** @param  array<string, string>  $files  contents by file name */
    public static function bundle(array $files): Contents
    {
        return (new BundleReader)->read(array_map(self::stream(...), $files));
    }

    /** @return array<string, string> contents by file name */
    public static function folder(string $path): array
    {
        $files = [];
        foreach (glob("{$path}/*.csv") ?: [] as $file) {
            $files[basename($file)] = (string) file_get_contents($file);
        }

        return $files;
    }

    public static function plan(Contents $contents): Plan
    {
        return (new Planner)->plan($contents->network, $contents->options);
    }

    /**
     * The rows of one of the files a plan is written to, by column.
     *
     * @return list<array<string, string>>
     */
    public static function rows(Plan $plan, string $file): array
    {
        $templates = require __DIR__.'/../lang/en/planning.php';
        $rows = [];
        foreach ((new PlanWriter($plan, new Sentences($templates, $plan->structure, $plan->options->planDate)))->rows($file) as $row) {
            $rows[] = array_combine(PlanWriter::FILES[$file], $row);
        }

        return $rows;
    }

    /** @return list<array<string, string>> */
    public static function parse(string $csv): array
    {
        $stream = self::stream($csv);
        $header = fgetcsv($stream, null, ',', '"', '');
        $rows = [];
        while (($row = fgetcsv($stream, null, ',', '"', '')) !== false) {
            $rows[] = array_combine($header, $row);
        }

        return $rows;
    }
}
