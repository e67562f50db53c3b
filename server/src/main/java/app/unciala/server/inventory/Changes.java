package app.unciala.server.inventory;

import app.unciala.core.flag.Owner;
import app.unciala.core.flag.Scope;
import java.util.SortedSet;
import java.util.TreeSet;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The order of changes. A transaction that changes the inventory begins here, before it reads anything: it waits until
 * the one before it has ended, and so sees what that one did. It closes with what it touched, so that the flags of
 * that are compared and written in the same transaction.
 */
@Component
public class Changes {
    private final JdbcClient database;
    private final ApplicationEventPublisher events;

    Changes(JdbcClient database, ApplicationEventPublisher events) {
        this.database = database;
        this.events = events;
    }

    /** What a change touched; whoever listens does so within the change's transaction. */
    public record Touched(Scope scope) {}

    /** Waits for other changes, at most as long as the database waits for a lock. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void begin() {
        database.sql("select id from change_lock where id = 1 for update")
                .query(Integer.class)
                .single();
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void touched(Scope scope) {
        if (TransactionSynchronizationManager.getResource(this) instanceof Together together) {
            together.owners.addAll(scope.owners());
        } else if (!scope.isEmpty()) {
            events.publishEvent(new Touched(scope));
        }
    }

    /** Several changes of one transaction as one: the flags of what they touch are compared once, after the last. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void together(Runnable several) {
        Together together = new Together();
        TransactionSynchronizationManager.bindResource(this, together);
        try {
            several.run();
        } finally {
            TransactionSynchronizationManager.unbindResource(this);
        }
        touched(new Scope(together.owners));
    }

    /** What several changes have touched so far. */
    private static final class Together {
        private final SortedSet<Owner> owners = new TreeSet<>();
    }

    /** Counts a change of the held files, after which intakes under review are judged anew. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void heldFilesChanged() {
        database.sql("update change_lock set inventory = inventory + 1 where id = 1")
                .update();
    }

    /** How often the held files have changed. */
    public long heldFilesVersion() {
        return database.sql("select inventory from change_lock where id = 1")
                .query(Long.class)
                .single();
    }
}
