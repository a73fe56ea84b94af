<?php

declare(strict_types=1);

return [
    'enabled' => true,
    'delete_records_older_than_days' => 730,
    'default_log_name' => 'data',
    'default_auth_driver' => null,
    'subject_returns_soft_deleted_models' => false,
    'activity_model' => Spatie\Activitylog\Models\Activity::class,
    'table_name' => 'activity_log',
    'database_connection' => null,
];
