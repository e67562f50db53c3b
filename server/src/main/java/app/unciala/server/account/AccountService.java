package app.unciala.server.account;

import java.security.SecureRandom;
import java.util.HexFormat;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Accounts, with passwords kept only as hashes. */
@Service
public class AccountService implements UserDetailsService {
    private final AccountRepository accounts;
    private final PasswordEncoder encoder;

    AccountService(AccountRepository accounts, PasswordEncoder encoder) {
        this.accounts = accounts;
        this.encoder = encoder;
    }

    @Override
    @Transactional(readOnly = true)
    public UserDetails loadUserByUsername(String name) {
        return accounts.findById(name)
                .map(account -> User.withUsername(account.name())
                        .password(account.passwordHash())
                        .roles("ADMIN")
                        .build())
                .orElseThrow(() -> new UsernameNotFoundException(name));
    }

    @Transactional(readOnly = true)
    public String displayName(String name) {
        return accounts.findById(name).map(Account::displayName).orElse(name);
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return accounts.count() == 0;
    }

    @Transactional
    public void create(String name, String displayName, String password) {
        accounts.save(new Account(name, displayName, String.valueOf(encoder.encode(password))));
    }

    /** Makes the first administrator, when there is none, and returns a password made up for it. */
    @Transactional
    public String createFirstAdministrator() {
        byte[] random = new byte[9];
        new SecureRandom().nextBytes(random);
        String password = HexFormat.of().formatHex(random);
        create("admin", "Administrator", password);
        return password;
    }
}
