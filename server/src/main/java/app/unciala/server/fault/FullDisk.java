package app.unciala.server.fault;

import com.google.common.base.Throwables;
import java.io.IOException;
import java.util.regex.Pattern;

/** A failure whose cause is that the disk has no room, which is nothing to search the log for. */
public final class FullDisk {
    /** What is said of it. */
    public static final String SENTENCE =
            "The disk of the server is full. What is recorded stays as it was; make room on the disk, and try again.";

    /** As Linux says it: ENOSPC, EDQUOT and EFBIG. */
    private static final Pattern SAYS_SO =
            Pattern.compile("no space left on device|disk quota exceeded|file too large", Pattern.CASE_INSENSITIVE);

    private FullDisk() {}

    public static boolean caused(Throwable failure) {
        return Throwables.getCausalChain(failure).stream()
                .anyMatch(cause -> cause instanceof IOException
                        && cause.getMessage() != null
                        && SAYS_SO.matcher(cause.getMessage()).find());
    }
}
