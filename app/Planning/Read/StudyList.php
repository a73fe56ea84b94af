<?php

declare(strict_types=1);

namespace App\Planning\Read;

use App\Models\Run;
use App\Models\Study;
use App\Models\User;
use App\Planning\Shapes\StudyChange;
use App\Planning\Shapes\StudyRow;
use App\Planning\Shapes\StudySettings;
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
        $say = new SayChange($planDate);
        $live = Run::live();
        $newest = Journal::newest();
        $rows = [];
        foreach (Study::query()->with('user')->orderByDesc('updated_at')->orderByDesc('id')->get() as $study) {
            $run = $study->newestRun();
            $result = $study->result();
            $rows[] = new StudyRow(
                $study->id, $study->name, (string) $study->user?->name, $study->user_id === $user->id || $user->can(Roles::RUN), $study->version, $say->parameters($study->parameters),
                array_map(fn (array $fields) => new StudyChange($say->sentence($fields), json_encode($fields, JSON_THROW_ON_ERROR)), $study->changes),
                new StudySettings($study->parameters['horizonEnd'] ?? null, $study->parameters['forecasts'] ?? null, $study->parameters['sites'] ?? null, $study->parameters['safetyStock'] ?? null),
                $run?->status, $run?->trouble, $result?->finished_at?->toIso8601String(),
                $result !== null && ($result->last_change < $newest || $study->updated_at > $result->created_at), $result !== null, $result === null ? [] : Figures::of($result, $live),
            );
        }

        return $rows;
    }
}
