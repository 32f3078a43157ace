/** Schema and queues of the job queue; made by migration. */
export const QUEUE_SCHEMA = "queue";
export const MAIL_QUEUE = "mail";
export const QUEUES = [MAIL_QUEUE];
