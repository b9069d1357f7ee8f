/**
 * Time that this process was given, in milliseconds: the clock for engines under test.
 * What an engine finds within its limit then does not depend on what else the machine does.
 */
export function cpuClock() {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
}
