/** Schema of the queue, and its one queue, which only wakes the jobs process; made by migration. */
export const QUEUE_SCHEMA = "queue";
export const WAKE_QUEUE = "job";
