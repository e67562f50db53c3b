package app.unciala.server.account;

import app.unciala.server.fault.Fault;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Tokens;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The people of the agency. Passwords are kept only as hashes, tokens of invitations only as digests. */
@Service
public class AccountService implements UserDetailsService {
    static final int SHORTEST_PASSWORD = 10;
    static final int LONGEST_PASSWORD = 200;
    private static final Duration INVITED_FOR = Duration.ofDays(3);

    private final AccountRepository accounts;
    private final InvitationRepository invitations;
    private final PasswordEncoder encoder;
    private final Sessions sessions;
    private final HistoryService history;
    private final Actor actor;
    private final Changes changes;
    private final Clock clock;

    AccountService(
            AccountRepository accounts,
            InvitationRepository invitations,
            PasswordEncoder encoder,
            Sessions sessions,
            HistoryService history,
            Actor actor,
            Changes changes,
            Clock clock) {
        this.accounts = accounts;
        this.invitations = invitations;
        this.encoder = encoder;
        this.sessions = sessions;
        this.history = history;
        this.actor = actor;
        this.changes = changes;
        this.clock = clock;
    }

    /** A person; {@code joined} once a password is set, {@code removed} when only the name is kept. */
    public record Person(String name, long version, String displayName, Level level, boolean removed, boolean joined) {}

    /** A person with the token of a new invitation, which is told only here. */
    public record Invited(Person person, String token, Instant expiresAt) {}

    @Override
    @Transactional(readOnly = true)
    public UserDetails loadUserByUsername(String name) {
        return accounts.findById(name)
                .filter(account ->
                        !account.isRemoved() && !account.passwordHash().isEmpty())
                .map(account -> User.withUsername(account.name())
                        .password(account.passwordHash())
                        .roles(account.level().name())
                        .build())
                .orElseThrow(() -> new UsernameNotFoundException(name));
    }

    @Transactional(readOnly = true)
    public Person get(String name) {
        return find(name).toRecord();
    }

    /** Everybody, with those removed, by the names people read. */
    @Transactional(readOnly = true)
    public List<Person> all() {
        return accounts.findAllByOrderByDisplayName().stream()
                .map(Account::toRecord)
                .toList();
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return accounts.count() == 0;
    }

    /** Makes an account that can sign in at once. */
    @Transactional
    public void create(String name, String displayName, Level level, String password) {
        Account account = new Account(name, displayName, level);
        account.setPassword(String.valueOf(encoder.encode(password)));
        accounts.save(account);
    }

    /** Makes the first administrator, when there is none, and returns a password made up for it. */
    @Transactional
    public String createFirstAdministrator() {
        String password = Tokens.next().substring(0, 12);
        create("admin", "Administrator", Level.ADMINISTRATOR, password);
        return password;
    }

    /** Adds a person, or takes one back who was removed, and makes the link by which a password is set. */
    @Transactional
    public Invited add(String name, String displayName, Level level) {
        changes.begin();
        Account account = accounts.findById(name).orElse(null);
        if (account != null && !account.isRemoved()) {
            throw Fault.conflict("There is a person named “" + name + "” already.");
        }
        if (account == null) {
            account = new Account(name, displayName, level);
        } else {
            account.edit(displayName, level);
            account.takeBack();
        }
        accounts.save(account);
        history.record(Deed.of("person", name, displayName, "Added " + displayName + " as " + words(level)));
        return invite(account);
    }

    /** Makes a new link by which a person sets a password; earlier links end. */
    @Transactional
    public Invited invite(String name) {
        Account account = present(name);
        history.record(Deed.of(
                "person", name, account.displayName(), "Made a link for " + account.displayName() + " to join by"));
        return invite(account);
    }

    @Transactional
    public Person edit(String name, long expectedVersion, String displayName, Level level) {
        changes.begin();
        Account account = present(name);
        if (account.version() != expectedVersion) {
            throw Fault.stale();
        }
        if (account.level() == Level.ADMINISTRATOR && level != Level.ADMINISTRATOR) {
            mustNotBeLastAdministrator();
        }
        Map<String, String> before = described(account);
        account.edit(displayName, level);
        history.record(
                Deed.of("person", name, displayName, "Changed " + displayName).changing(before, described(account)));
        sessions.endAll(name);
        return accounts.saveAndFlush(account).toRecord();
    }

    /** Ends a person's sessions and links; the name stays for the history. */
    @Transactional
    public void remove(String name) {
        changes.begin();
        Account account = present(name);
        if (name.equals(actor.name())) {
            throw Fault.conflict("You can’t remove yourself. Ask another administrator.");
        }
        if (account.level() == Level.ADMINISTRATOR) {
            mustNotBeLastAdministrator();
        }
        account.remove(clock.instant());
        invitations.deleteByAccount(name);
        history.record(Deed.of("person", name, account.displayName(), "Removed " + account.displayName()));
        sessions.endAll(name);
    }

    /** Who an invitation is for. */
    @Transactional(readOnly = true)
    public Person invited(String token) {
        return present(invitation(token).account()).toRecord();
    }

    /** Sets the password of whoever was invited; the link ends. */
    @Transactional
    public Person join(String token, String password) {
        Invitation invitation = invitation(token);
        Account account = present(invitation.account());
        account.setPassword(String.valueOf(encoder.encode(password)));
        invitations.deleteByAccount(account.name());
        sessions.endAll(account.name());
        return account.toRecord();
    }

    @Transactional
    public void changePassword(String name, String current, String next, String keptSession) {
        Account account = present(name);
        if (!encoder.matches(current, account.passwordHash())) {
            throw Fault.invalid("current", "That isn’t your current password.");
        }
        account.setPassword(String.valueOf(encoder.encode(next)));
        history.record(Deed.of("person", name, account.displayName(), "Changed the password"));
        sessions.endOthers(name, keptSession);
    }

    static String words(Level level) {
        return switch (level) {
            case READER -> "a reader";
            case EDITOR -> "an editor";
            case ADMINISTRATOR -> "an administrator";
        };
    }

    private static Map<String, String> described(Account account) {
        return Map.of("displayName", account.displayName(), "level", words(account.level()));
    }

    private Invited invite(Account account) {
        invitations.deleteByAccount(account.name());
        String token = Tokens.next();
        Instant expires = clock.instant().plus(INVITED_FOR);
        invitations.save(new Invitation(Tokens.digest(token), account.name(), expires));
        return new Invited(account.toRecord(), token, expires);
    }

    private Invitation invitation(String token) {
        return invitations
                .findById(Tokens.digest(token))
                .filter(invitation -> invitation.holdsAt(clock.instant()))
                .orElseThrow(() -> Fault.conflict(
                        "This link was used, replaced or has expired. Ask an administrator for a new one."));
    }

    private void mustNotBeLastAdministrator() {
        if (accounts.countByLevelAndRemovedAtIsNull(Level.ADMINISTRATOR) <= 1) {
            throw Fault.conflict("Somebody has to be an administrator. Add another one first.");
        }
    }

    private Account present(String name) {
        Account account = find(name);
        if (account.isRemoved()) {
            throw Fault.notFound("person", name);
        }
        return account;
    }

    private Account find(String name) {
        return accounts.findById(name).orElseThrow(() -> Fault.notFound("person", name));
    }
}
