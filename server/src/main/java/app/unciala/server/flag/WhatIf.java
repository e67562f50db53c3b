package app.unciala.server.flag;

import app.unciala.server.flag.FlagService.FlagView;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * What a change would do to the flags. The change is really made, compared and then rolled back, so that the answer is
 * what would come out of it and nothing else.
 */
@Component
class WhatIf {
    private static final int MOST_SHOWN = 50;

    private final FlagService flags;
    private final TransactionTemplate transaction;
    private static final ThreadLocal<@Nullable Noted> NOTED = new ThreadLocal<>();

    WhatIf(FlagService flags, PlatformTransactionManager transactions) {
        this.flags = flags;
        transaction = new TransactionTemplate(transactions);
        transaction.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /** The ids of the flags that came and that went. */
    private record Noted(List<String> came, List<String> went) {}

    /** How many flags would come and go, and the first of them. */
    record Difference(int coming, List<FlagView> comes, int going, List<FlagView> goes) {}

    Difference of(Runnable change) {
        Noted changed = new Noted(new ArrayList<>(), new ArrayList<>());
        NOTED.set(changed);
        try {
            return Objects.requireNonNull(transaction.execute(status -> {
                status.setRollbackOnly();
                change.run();
                return new Difference(
                        changed.came().size(),
                        first(changed.came()),
                        changed.went().size(),
                        first(changed.went()));
            }));
        } finally {
            NOTED.remove();
        }
    }

    /** Written in the thread of the change, before it is rolled back. */
    @EventListener
    void note(FlagWriter.Written written) {
        Noted changed = NOTED.get();
        if (changed != null) {
            changed.came().addAll(written.came());
            changed.went().addAll(written.went());
        }
    }

    private List<FlagView> first(List<String> ids) {
        return ids.stream().limit(MOST_SHOWN).map(flags::get).toList();
    }
}
