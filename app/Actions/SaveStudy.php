<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Study;
use App\Models\User;
use App\Planning\LiveNetwork;
use App\Planning\RunWishes;
use App\Support\Refused;
use App\Support\Roles;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Options\Options;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\InvalidChange;
use Yposta\Core\Study\RowCodec;
use Yposta\Core\Study\SoundChange;
use Yposta\Core\Study\Unsound;

/** Makes a study or changes one. What it would do is only found out when it is planned. */
final readonly class SaveStudy
{
    private const LONGEST_NAME = 80;

    /** A study with more is no study any more. */
    private const MOST_CHANGES = 200;

    public function __construct(private LiveNetwork $data)
    {
    }

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
        if ($name === '' || mb_strlen($name) > self::LONGEST_NAME) {
            throw Refused::because('study.name', ['most' => self::LONGEST_NAME], 'name');
        }
        if (count($changes) > self::MOST_CHANGES) {
            throw Refused::because('study.full', ['most' => self::MOST_CHANGES], 'changes');
        }
        $changes = $this->sound($changes);
        try {
            RowCodec::values(Declaration::of(Options::class), RunWishes::arguments($parameters));
        } catch (InvalidChange $trouble) {
            throw Refused::because('study.parameter', ['trouble' => $trouble->phrase()], 'parameters');
        }

        return DB::transaction(function () use ($study, $name, $parameters, $changes, $version, $by): Study {
            if (Study::query()->where('name', $name)->when($study !== null, fn ($query) => $query->whereKeyNot($study?->id))->exists()) {
                throw Refused::because('study.exists', ['study' => $name], 'name');
            }
            if ($study === null) {
                return Study::query()->create([
                    'name' => $name, 'parameters' => $parameters, 'changes' => $changes, 'user_id' => $by->id, 'version' => 1,
                ]);
            }
            self::checkOwner($study, $by);
            $study = Study::query()->lockForUpdate()->findOrFail($study->id);
            if ($study->version !== $version) {
                throw Refused::because('study.stale', ['study' => $study->name], 'stale');
            }
            $study->update(['name' => $name, 'parameters' => $parameters, 'changes' => $changes, 'version' => $version + 1]);

            return $study;
        });
    }

    /**
     * What a study says of data that are not there (any more) is only told when it is planned; what could never be is refused at once.
     *
     * @param  list<array<string, mixed>>  $changes
     * @return list<array<string, mixed>>
     */
    private function sound(array $changes): array
    {
        $network = $this->data->read();
        foreach ($changes as $place => $fields) {
            try {
                $change = SoundChange::decode($fields);
                $changes[$place] = ChangeCodec::encode($change);
                $network = SoundChange::apply($change, $network);
            } catch (InvalidChange|Unsound $trouble) {
                throw Refused::because(
                    'study.change', ['number' => $place + 1, 'trouble' => $trouble->phrase()], 'changes', ['place' => $place],
                );
            } catch (DoesNotFit) {
                continue;
            }
        }

        return $changes;
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
            throw Refused::because('study.forbidden', ['study' => $study->name, 'owner' => (string) $study->user?->name], 'forbidden');
        }
    }
}
