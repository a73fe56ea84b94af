<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Models\Study;
use App\Models\User;
use App\Reading\Shapes\RunStatus;
use App\Reading\Shapes\StudyChange;
use App\Reading\Shapes\StudyRow;
use App\Reading\Shapes\StudySettings;
use App\Support\Journal;
use App\Support\Roles;

/** All studies, with what they change and what came of them against the live plan. */
final readonly class StudyList
{
    /**
     * @param  int  $planDate  day number
     * @return list<StudyRow>
     */
    public static function of(User $user, int $planDate): array
    {
        $say = new ChangeSentences($planDate);
        $live = Run::live();
        $newest = Journal::newest();
        $rows = [];
        foreach (Study::query()->with('user')->orderByDesc('updated_at')->orderByDesc('id')->get() as $study) {
            $run = $study->newestRun();
            $result = $study->result();
            $rows[] = new StudyRow(
                id: $study->id,
                name: $study->name,
                by: (string) $study->user?->name,
                mine: $study->user_id === $user->id || $user->can(Roles::RUN),
                version: $study->version,
                parameters: $say->parameters($study->parameters),
                changes: array_map(
                    fn (array $fields) => new StudyChange($say->sentence($fields), json_encode($fields, JSON_THROW_ON_ERROR)),
                    $study->changes,
                ),
                settings: new StudySettings(
                    $study->parameters['horizonEnd'] ?? null, $study->parameters['forecasts'] ?? null,
                    $study->parameters['sites'] ?? null, $study->parameters['safetyStock'] ?? null,
                ),
                status: $run === null ? null : RunStatus::from($run->status),
                trouble: $run?->trouble,
                plannedAt: $result?->finished_at?->toIso8601String(),
                stale: $result !== null && ($result->last_change < $newest || $study->updated_at > $result->created_at),
                planned: $result !== null,
                figures: $result === null ? [] : Figures::of($result, $live),
            );
        }

        return $rows;
    }
}
