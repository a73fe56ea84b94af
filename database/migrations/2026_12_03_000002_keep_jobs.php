<?php

declare(strict_types=1);

use App\Support\Roles;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Projects for customers: what is done in them and when, and what that needs. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('jobs_for_customers', function (Blueprint $table): void {
            $table->string('code')->primary();
            $table->string('name');
            $table->string('customer');
            $table->unsignedTinyInteger('priority');
            $table->date('begins')->nullable();
            $table->date('ends')->nullable();
        });
        Schema::create('job_activities', function (Blueprint $table): void {
            $table->id();
            $table->string('job_code');
            $table->string('activity');
            $table->string('name');
            $table->date('begins')->nullable();
            $table->date('ends')->nullable();
            $table->unique(['job_code', 'activity']);
            $table->foreign('job_code')->references('code')->on('jobs_for_customers');
        });
        Schema::create('job_lines', function (Blueprint $table): void {
            $table->id();
            $table->string('job_code');
            $table->string('line');
            $table->string('activity');
            $table->string('item_code')->nullable();
            $table->string('text');
            $table->string('site_code');
            $table->bigInteger('qty')->comment('millionths');
            $table->bigInteger('issued')->default(0)->comment('millionths');
            $table->date('due');
            $table->boolean('approved')->default(false);
            $table->bigInteger('est_cost')->nullable()->comment('of one, millionths');
            $table->unsignedInteger('version')->default(1);
            $table->unique(['job_code', 'line']);
            $table->index(['item_code', 'site_code']);
            $table->foreign('job_code')->references('code')->on('jobs_for_customers');
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('site_code')->references('code')->on('sites');
        });
        DB::table('roles')->exists() && Roles::install();
    }

    public function down(): void
    {
        DB::table('permissions')->where('name', Roles::APPROVE)->delete();
        Schema::dropIfExists('job_lines');
        Schema::dropIfExists('job_activities');
        Schema::dropIfExists('jobs_for_customers');
    }
};
