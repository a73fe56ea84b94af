<?php

declare(strict_types=1);

use App\Support\Roles;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What the floor reports of operations; it is only ever added to. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('work_reports', function (Blueprint $table): void {
            $table->id();
            $table->string('order_code')->index();
            $table->integer('op');
            $table->string('work_centre_code')->index();
            $table->bigInteger('done')->comment('millionths, good pieces');
            $table->bigInteger('scrap')->default(0)->comment('millionths');
            $table->string('reason')->default('');
            $table->integer('minutes')->nullable()->comment('that it took');
            $table->string('note')->default('');
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at');
        });
        DB::table('roles')->exists() && Roles::install();
    }

    public function down(): void
    {
        Schema::dropIfExists('work_reports');
    }
};
