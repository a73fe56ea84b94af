<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Run;
use App\Models\Study;
use App\Models\User;
use App\Planning\PlanStore;
use App\Support\Refused;
use Illuminate\Support\Facades\DB;

/** Deletes a study with its results. */
final readonly class DeleteStudy
{
    /** @throws Refused when it is somebody else's, or being planned */
    public function __invoke(Study $study, User $by): void
    {
        SaveStudy::checkOwner($study, $by);
        DB::transaction(function () use ($study): void {
            $runs = Run::query()->where('study_id', $study->id)->get();
            if ($runs->contains(fn (Run $run) => $run->status === 'running')) {
                throw Refused::because('study.delete_running', ['study' => $study->name], 'running');
            }
            foreach ($runs as $run) {
                PlanStore::forget($run->id);
                $run->delete();
            }
            $study->delete();
        });
    }
}
