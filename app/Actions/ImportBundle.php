<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\BundleFolder;
use App\Planning\Ledger;
use App\Planning\NetworkWriter;
use App\Planning\RunParameters;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Bundle\Contents;
use Yposta\Core\Bundle\RowError;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Support\Phrase;

/** Takes a bundle into the database: all of it, or nothing. */
final readonly class ImportBundle
{
    /** Where the demo company's bundle lies. */
    public const DEMO = 'database/demo';

    public function __construct(private BundleReader $reader, private NetworkWriter $writer, private Ledger $ledger)
    {
    }

    /**
     * @param  bool  $replace  whether data that is there may be thrown away for it
     * @param  bool  $pinPlanDate  whether the bundle's plan date stays the plan's today
     *
     * @throws BundleRefused when a row is wrong
     * @throws Refused when there is data already
     * @throws RuntimeException when the bundle cannot be opened
     */
    public function __invoke(string $path, bool $replace, bool $pinPlanDate, ?User $by = null): Contents
    {
        $contents = $this->reader->read(BundleFolder::open($path));
        if ($contents->network->items === [] || $contents->network->sites === []) {
            throw new BundleRefused([new RowError(
                $contents->network->items === [] ? 'items.csv' : 'sites.csv', null, null,
                new Phrase('row.nothing_to_plan.problem'), new Phrase('row.nothing_to_plan.remedy'),
            )]);
        }
        DB::transaction(function () use ($contents, $path, $replace, $pinPlanDate, $by): void {
            WriteTurn::take();
            if (! $replace && ! NetworkWriter::isEmpty()) {
                throw Refused::because('bundle.data_there');
            }
            $this->writer->replace($contents->network);
            Settings::set(Settings::RUN_DEFAULTS, RunParameters::of($contents->options));
            Settings::set(Settings::PINNED_PLAN_DATE, $pinPlanDate ? Day::format($contents->options->planDate) : null);
            Settings::set(Settings::IS_DEMO, realpath($path) === realpath(base_path(self::DEMO)));
            $this->ledger->settle($by);
            Journal::write(
                'import',
                Words::say(new Phrase('journal.imported', ['bundle' => basename($path), 'count' => count($contents->network->items)])),
                $by,
            );
        });

        return $contents;
    }
}
