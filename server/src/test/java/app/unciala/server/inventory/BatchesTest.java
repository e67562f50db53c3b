package app.unciala.server.inventory;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import app.unciala.core.flag.Owner;
import app.unciala.core.flag.Scope;
import app.unciala.server.fault.Fault;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.mockito.Mockito;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.SimpleTransactionStatus;

class BatchesTest {
    private final PlatformTransactionManager transactions = mock();
    private final ApplicationEventPublisher events = mock();
    private final Changes changes = new Changes(mock(JdbcClient.class, Mockito.RETURNS_DEEP_STUBS), events);
    private final Batches batches = new Batches(transactions, changes);

    BatchesTest() {
        when(transactions.getTransaction(any())).thenAnswer(call -> new SimpleTransactionStatus());
    }

    @Test
    void eachBatchIsOneTransactionAndIsComparedOnce() {
        List<Integer> seven = IntStream.range(0, 7).boxed().toList();
        assertThat(batches.each(seven, 3, this::change).done()).isEqualTo(7);
        ArgumentCaptor<Object> published = ArgumentCaptor.captor();
        verify(events, times(3)).publishEvent(published.capture());
        verify(transactions, times(3)).commit(any());
        assertThat(published.getAllValues())
                .extracting(event -> ((Changes.Touched) event).scope().ids(Owner.Type.SITE))
                .containsExactly(Set.of("s0", "s1", "s2"), Set.of("s3", "s4", "s5"), Set.of("s6"));
    }

    @Test
    void aRefusedBatchChangesNothingAndSaysHowFarItCame() {
        List<Integer> changed = new ArrayList<>();
        Batches.Outcome outcome = batches.each(IntStream.range(0, 7).boxed().toList(), 2, number -> {
            if (number == 5) {
                throw Fault.conflict("Its client was deleted meanwhile.");
            }
            change(number);
            changed.add(number);
        });
        assertThat(outcome.done()).isEqualTo(4);
        assertThat(outcome.stopped().orElseThrow()).hasMessage("Its client was deleted meanwhile.");
        assertThat(changed).as("none after it is tried").containsExactly(0, 1, 2, 3, 4);
        verify(events, times(2)).publishEvent(any(Object.class));
        verify(transactions).rollback(any());
        change(8);
        verify(events, times(3)).publishEvent(any(Object.class));
    }

    private void change(int number) {
        changes.touched(Scope.of(Stream.of(Owner.site("s" + number))));
    }
}
