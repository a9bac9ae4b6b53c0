// What a server that is kept is started with: sized to its machine, its log short, its pages checked.
import { totalmem } from 'node:os';

const MB = 1024 * 1024;
const within = (bytes, least, most) => `${Math.round(Math.min(Math.max(bytes / MB, least), most))}MB`;

/**
 * Shared buffers an eighth of the memory (the web and the papers want theirs as well), the planner told of half as the system's cache: common practice for a machine that is not the database's alone. The log turns with the day of the
 * week, so it holds seven days and never more than a day's worth of one file.
 */
export function serverSettings(memory = totalmem()) {
  return {
    shared_buffers: within(memory / 8, 128, 4096),
    effective_cache_size: within(memory / 2, 512, 65536),
    maintenance_work_mem: within(memory / 32, 64, 1024),
    work_mem: '8MB',
    logging_collector: 'on',
    log_directory: 'log',
    log_filename: 'werkbank-%a.log',
    log_truncate_on_rotation: 'on',
    log_rotation_age: '1d',
    log_rotation_size: '20MB',
    log_file_mode: '0600',
  };
}
