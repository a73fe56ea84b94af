<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Study;
use App\Models\User;
use App\Support\Roles;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;
use Yposta\Core\Study\ChangeCodec;

/** Makes a study or changes one. What it would do is only found out when it is planned. */
final readonly class SaveStudy
{
    /** A study with more is no study any more. */
    private const MOST_CHANGES = 200;

    /**
     * @param  array<string, mixed>  $parameters  what differs from the live plan's
     * @param  list<array<string, mixed>>  $changes  as {@see ChangeCodec} keeps them
     * @param  int  $version  as it was seen; of no meaning for a new one
     *
     * @throws Refused
     */
    public function __invoke(?Study $study, string $name, array $parameters, array $changes, int $version, User $by): Study
    {
        $name = trim($name);
        if ($name === '' || mb_strlen($name) > 80) {
            throw new Refused('A study needs a name of up to 80 characters. Nothing was kept.', 'name');
        }
        if (count($changes) > self::MOST_CHANGES) {
            throw new Refused('A study takes up to '.self::MOST_CHANGES.' changes. Nothing was kept.', 'changes');
        }
        foreach ($changes as $place => $fields) {
            try {
                $changes[$place] = ChangeCodec::encode(ChangeCodec::decode($fields));
            } catch (InvalidArgumentException $trouble) {
                throw new Refused('Change '.($place + 1).": {$trouble->getMessage()}. Nothing was kept.", 'changes', ['place' => $place]);
            }
        }

        return DB::transaction(function () use ($study, $name, $parameters, $changes, $version, $by): Study {
            if (Study::query()->where('name', $name)->when($study !== null, fn ($query) => $query->whereKeyNot($study?->id))->exists()) {
                throw new Refused("There is a study {$name} already. Choose another name; nothing was kept.", 'name');
            }
            if ($study === null) {
                return Study::query()->create(['name' => $name, 'parameters' => $parameters, 'changes' => $changes, 'user_id' => $by->id, 'version' => 1]);
            }
            self::checkOwner($study, $by);
            $study = Study::query()->lockForUpdate()->findOrFail($study->id);
            if ($study->version !== $version) {
                throw new Refused("Someone else has changed {$study->name} meanwhile. Yours was not kept; look at it and change it again.", 'stale');
            }
            $study->update(['name' => $name, 'parameters' => $parameters, 'changes' => $changes, 'version' => $version + 1]);

            return $study;
        });
    }

    /** The name, with a number behind it where there is such a study already. */
    public static function freeName(string $name): string
    {
        $free = $name = trim($name);
        for ($number = 2; Study::query()->where('name', $free)->exists(); $number++) {
            $free = "{$name} {$number}";
        }

        return $free;
    }

    /** @throws Refused when it is somebody else's and the person does not run the plan */
    public static function checkOwner(Study $study, User $by): void
    {
        if ($study->user_id !== $by->id && ! $by->can(Roles::RUN)) {
            throw new Refused("{$study->name} belongs to {$study->user?->name}. Keep a study of your own; nothing was changed.", 'forbidden');
        }
    }
}
