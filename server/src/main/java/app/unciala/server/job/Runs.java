package app.unciala.server.job;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** How far jobs of one kind are, or how they ended last, by what each is for; kept until the server stops. */
public final class Runs<S extends Runs.State> {
    /** How far one job is. */
    public interface State {
        boolean running();
    }

    private final S none;
    private final Map<String, S> states = new ConcurrentHashMap<>();

    /** {@code none} is the state of what no job was for yet. */
    public Runs(S none) {
        this.none = none;
    }

    public S of(String key) {
        return states.getOrDefault(key, none);
    }

    public void put(String key, S state) {
        states.put(key, state);
    }

    /**
     * Begins a job, unless one for the same is under way.
     *
     * @param begun its state at the beginning
     * @param start asks for it to be run; where that fails, it is as if none had begun
     * @return whether it was begun
     */
    public boolean begin(String key, S begun, Runnable start) {
        synchronized (states) {
            if (of(key).running()) {
                return false;
            }
            states.put(key, begun);
        }
        try {
            start.run();
        } catch (RuntimeException e) {
            states.remove(key);
            throw e;
        }
        return true;
    }
}
