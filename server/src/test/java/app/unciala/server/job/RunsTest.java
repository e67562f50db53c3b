package app.unciala.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class RunsTest {
    private record Step(boolean running, int done) implements Runs.State {
        static final Step NONE = new Step(false, 0);
        static final Step BEGUN = new Step(true, 0);
    }

    private final Runs<Step> runs = new Runs<>(Step.NONE);
    private final Runnable start = mock(Runnable.class);

    @Test
    void oneOfAKindRunsForOneThingAtATime() {
        assertThat(runs.of("a")).isEqualTo(Step.NONE);
        assertThat(runs.begin("a", Step.BEGUN, start)).isTrue();
        runs.put("a", new Step(true, 3));
        Runnable second = mock(Runnable.class);
        assertThat(runs.begin("a", Step.BEGUN, second)).isFalse();
        verify(second, never()).run();
        assertThat(runs.of("a")).as("what it had come to").isEqualTo(new Step(true, 3));
        assertThat(runs.begin("b", Step.BEGUN, start)).isTrue();
        runs.put("a", new Step(false, 5));
        assertThat(runs.begin("a", Step.BEGUN, second)).isTrue();
        verify(start, times(2)).run();
    }

    @Test
    void oneThatCannotBeAskedForHasNotBegun() {
        doThrow(new IllegalStateException("no database")).when(start).run();
        assertThatThrownBy(() -> runs.begin("a", Step.BEGUN, start)).hasMessage("no database");
        assertThat(runs.of("a")).isEqualTo(Step.NONE);
        assertThat(runs.begin("a", Step.BEGUN, () -> {})).isTrue();
    }

    @Test
    void ofManyAtOnceOneBegins() throws InterruptedException {
        AtomicInteger begun = new AtomicInteger();
        CountDownLatch together = new CountDownLatch(1);
        Thread[] threads = IntStream.range(0, 8)
                .mapToObj(i -> new Thread(() -> {
                    try {
                        together.await();
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt();
                        return;
                    }
                    runs.begin("a", Step.BEGUN, begun::incrementAndGet);
                }))
                .toArray(Thread[]::new);
        for (Thread thread : threads) {
            thread.start();
        }
        together.countDown();
        for (Thread thread : threads) {
            thread.join();
        }
        assertThat(begun).hasValue(1);
    }
}
