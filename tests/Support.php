<?php

declare(strict_types=1);

namespace Tests;

use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Bundle\BundleWriter;
use Yposta\Core\Bundle\Contents;
use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\PlanWriter;
use Yposta\Core\Planner;
use Yposta\Core\Structure\LoopCheck;
use Yposta\Core\Support\Spoken;
use Yposta\Core\Wording\Templates;

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
        return (new BundleReader(new LoopCheck))->read(array_map(self::stream(...), $files));
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

    /** A bundle written and read back. */
    public static function throughFiles(Contents $contents): Contents
    {
        $files = [];
        foreach ((new BundleWriter($contents->network, $contents->options))->files() as $name => ['columns' => $columns, 'rows' => $rows]) {
            $stream = self::stream('');
            foreach ([$columns, ...$rows] as $row) {
                assert(count($row) === count($columns));
                fputcsv($stream, $row, ',', '"', '', "\n");
            }
            rewind($stream);
            $files[$name] = (string) stream_get_contents($stream);
        }

        return self::bundle($files);
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
        $rows = [];
        foreach ((new PlanWriter($plan, self::english()->on($plan->options->planDate)))->rows($file) as $row) {
            $rows[] = array_combine(PlanWriter::FILES[$file], $row);
        }

        return $rows;
    }

    /** The words of the core in English. */
    public static function english(): Templates
    {
        return Templates::of(require __DIR__.'/../lang/en/core.php');
    }

    /** What a person is told when something is refused; empty when it is not. */
    public static function refusal(callable $do): string
    {
        try {
            $do();
        } catch (BundleRefused $refused) {
            return implode("\n", $refused->lines(self::english()));
        } catch (Spoken $refused) {
            return self::english()->say($refused->phrase());
        }

        return '';
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

    /**
     * A small bundle around what a test is about: one site MAIN that works Monday to Friday, supplier SUP, plan date Mon 2026-03-02.
     *
     * @param  array<string, string>  $files  contents by file name without `.csv`; they replace the defaults
     * @param  bool  $checked  whether loops are looked for
     */
    public static function small(array $files, bool $checked = true): Contents
    {
        $bundle = self::smallFiles($files);

        return $checked ? self::bundle($bundle) : (new BundleReader)->read(array_map(self::stream(...), $bundle));
    }

    /**
     * @param  array<string, string>  $files  by name without ending
     * @return array<string, string> with what every small bundle has, by file name
     */
    public static function smallFiles(array $files): array
    {
        $defaults = [
            'plan' => "key,value\nplan_date,2026-03-02\nhorizon_end,2026-04-30\n",
            'calendars' => "calendar,weekdays\nWORK,12345\n",
            'sites' => "site,calendar\nMAIN,WORK\n",
            'suppliers' => "supplier\nSUP\n",
        ];
        $bundle = [];
        foreach ([...$defaults, ...$files] as $name => $text) {
            $bundle["{$name}.csv"] = $text;
        }

        return $bundle;
    }

    /**
     * The proposals of a small bundle, each as "kind qty item start due".
     *
     * @param  array<string, string>  $files
     * @return list<string>
     */
    public static function proposals(array $files): array
    {
        return array_map(
            fn (array $row) => "{$row['kind']} {$row['qty']} {$row['item']} {$row['start']} {$row['due']}",
            self::rows(self::plan(self::small($files)), 'proposals.csv'),
        );
    }

    /**
     * The messages of a small bundle, each as "code reference from to qty".
     *
     * @param  array<string, string>  $files
     * @return list<string>
     */
    public static function messages(array $files): array
    {
        return array_map(
            fn (array $row) => trim("{$row['code']} {$row['reference']} {$row['from']} {$row['to']} {$row['qty']}"),
            self::rows(self::plan(self::small($files)), 'messages.csv'),
        );
    }

    /** The network with every proposal of a plan made into a firm order, its components written out. */
    public static function converted(Network $network, Plan $plan): Network
    {
        $orders = $network->orders;
        $components = $network->components;
        foreach ($plan->proposals() as $proposal) {
            $point = $plan->structure->points[$proposal->point];
            $code = "N{$proposal->name}";
            $orders[$code] = OpenOrder::of(
                code: $code, kind: $proposal->type ?? OrderKind::Buy, status: OrderStatus::Firm, item: $point->item->code,
                site: $point->site->code, fromSite: $proposal->fromSite,
                supplier: $proposal->supplier, qty: $proposal->qty, start: $proposal->start, due: $proposal->due,
                priority: $proposal->priority,
            );
            foreach (OrderFromProposal::of(
                $plan->structure, $point, $proposal->qty, $proposal->due, $plan->options->planDate,
            )->components as $component) {
                $components[] = OrderComponent::of(
                    order: $code,
                    line: $component['line']->line,
                    item: $component['line']->item,
                    qty: $component['qty'],
                    need: $component['need'],
                );
            }
        }

        return $network->with(orders: $orders, components: $components);
    }
}
