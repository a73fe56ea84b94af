import type { JobsPage } from '@/lib/shapes';
import { AllJobs } from '@/pages/parts/AllJobs';
import { OneJob } from '@/pages/parts/OneJob';

/** Projects for customers: all of them, or what one needs, where that comes from and what it costs. */
export default function Jobs(page: JobsPage) {
    return page.detail === null ? <AllJobs {...page} /> : <OneJob key={page.detail.job.code} {...page} detail={page.detail} />;
}
