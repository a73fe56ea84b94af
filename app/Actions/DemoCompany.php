<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\LiveNetwork;
use App\Planning\NetworkWriter;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Settings;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Support\Phrase;

/** Puts the demo company into an empty installation, and takes it away again with all that was done in it. People and settings stay. */
final readonly class DemoCompany
{
    public function __construct(private ImportBundle $import, private NetworkWriter $writer, private LiveNetwork $data)
    {
    }

    /** @throws Refused when there are data of a company already */
    public function load(User $by): void
    {
        $by->can(Roles::SETTINGS) || throw Refused::because('settings.forbidden', [], 'forbidden');
        NetworkWriter::isEmpty() || throw Refused::because('bundle.not_empty', [], 'data');
        ($this->import)(base_path(ImportBundle::DEMO), false, true, $by);
        $this->data->forget();
    }

    /** @throws Refused when what is there is not the demo company */
    public function takeAway(User $by): void
    {
        $by->can(Roles::SETTINGS) || throw Refused::because('settings.forbidden', [], 'forbidden');
        DB::transaction(function () use ($by): void {
            WriteTurn::take();
            Settings::get(Settings::IS_DEMO) === true || throw Refused::because('bundle.not_demo', [], 'data');
            $this->writer->clear();
            Settings::set(Settings::PINNED_PLAN_DATE, null);
            Settings::set(Settings::RUN_DEFAULTS, null);
            Settings::set(Settings::IS_DEMO, false);
            Journal::write('import', Words::say(new Phrase('journal.demo_away')), $by);
        });
        $this->data->forget();
    }
}
