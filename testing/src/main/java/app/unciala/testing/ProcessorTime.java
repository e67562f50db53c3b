package app.unciala.testing;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.time.Duration;

/** The processor time that work takes in its own thread, which does not depend on what else the machine does. */
public final class ProcessorTime {
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();

    private ProcessorTime() {}

    public static Duration of(Runnable work) {
        long before = THREADS.getCurrentThreadCpuTime();
        work.run();
        return Duration.ofNanos(THREADS.getCurrentThreadCpuTime() - before);
    }
}
