package app.unciala.server.check;

import app.unciala.server.fault.Fault;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Hosts in private networks, or on this machine, that checks may connect to because an administrator said so. */
@Service
public class PrivateHosts {
    private final JdbcClient database;
    private final HistoryService history;
    private final Actor actor;
    private final Clock clock;

    PrivateHosts(JdbcClient database, HistoryService history, Actor actor, Clock clock) {
        this.database = database;
        this.history = history;
        this.actor = actor;
        this.clock = clock;
    }

    /** A host with its port, such as {@code localhost:8601}, and who allowed it. */
    public record PrivateHost(String host, String allowedBy, Instant allowedAt) {}

    @Transactional(readOnly = true)
    public List<PrivateHost> all() {
        return database.sql("select host, allowed_by, allowed_at from private_host order by host")
                .query((row, number) -> new PrivateHost(
                        row.getString(1), row.getString(2), row.getTimestamp(3).toInstant()))
                .list();
    }

    @Transactional
    public List<PrivateHost> allow(String typed) {
        String host = set(typed);
        history.record(Deed.of("settings", host, host, "Allowed checks to connect to " + host));
        return all();
    }

    /** Allows a host for which no person stands, such as those of the demonstration; the history does not tell of it. */
    @Transactional
    public String set(String typed) {
        String host = HostAndPort.parse("host", typed).toString();
        database.sql("merge into private_host (host, allowed_by, allowed_at) key (host) values (:host, :by, :at)")
                .param("host", host)
                .param("by", actor.name())
                .param("at", Timestamp.from(clock.instant()))
                .update();
        return host;
    }

    @Transactional
    public List<PrivateHost> refuse(String typed) {
        String host = HostAndPort.parse("host", typed).toString();
        int removed = database.sql("delete from private_host where host = :host")
                .param("host", host)
                .update();
        if (removed == 0) {
            throw Fault.notFound("private host", host);
        }
        history.record(Deed.of("settings", host, host, "Checks may no longer connect to " + host));
        return all();
    }

    List<HostAndPort> hosts() {
        return all().stream().map(one -> HostAndPort.parse("host", one.host())).toList();
    }
}
