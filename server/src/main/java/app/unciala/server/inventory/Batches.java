package app.unciala.server.inventory;

import app.unciala.server.fault.Fault;
import com.google.common.collect.Lists;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Changes of many records, such as an import: each batch is one change in a transaction of its own, compared once, and
 * the changes of others come in between.
 */
@Component
public class Batches {
    private final TransactionTemplate transaction;
    private final Changes changes;

    Batches(PlatformTransactionManager transactions, Changes changes) {
        this.transaction = new TransactionTemplate(transactions);
        this.changes = changes;
    }

    /**
     * How far it came.
     *
     * @param done how many records are changed, those of whole batches
     * @param stopped why the batch after those was refused; empty when all are done
     */
    public record Outcome(int done, Optional<Fault> stopped) {}

    /** Changes the records in order. A batch that is refused changes nothing, and ends it. */
    public <T> Outcome each(List<T> records, int batchSize, Consumer<T> change) {
        int done = 0;
        for (List<T> batch : Lists.partition(records, batchSize)) {
            try {
                transaction.executeWithoutResult(status -> {
                    changes.begin();
                    changes.together(() -> batch.forEach(change));
                });
            } catch (Fault fault) {
                return new Outcome(done, Optional.of(fault));
            }
            done += batch.size();
        }
        return new Outcome(done, Optional.empty());
    }
}
