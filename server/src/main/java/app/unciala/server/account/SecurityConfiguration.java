package app.unciala.server.account;

import app.unciala.server.http.Problems;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.config.annotation.authentication.configuration.AuthenticationConfiguration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/**
 * Everything under /api needs a session, except health, signing in and joining; unsafe methods carry the token header
 * and need the level of an editor, people and backups that of an administrator. All of this is settled by method,
 * path, cookies and headers, before a body is read.
 */
@Configuration
class SecurityConfiguration {
    private static final String POLICY = "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline';"
            + " font-src 'self' data: blob:; object-src 'none'; base-uri 'none'; form-action 'self';"
            + " frame-ancestors 'none'";
    private static final String[] EDITORS = {Level.EDITOR.name(), Level.ADMINISTRATOR.name()};

    @Bean
    SecurityFilterChain security(HttpSecurity http, SecurityContextRepository contexts) throws Exception {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieCustomizer(cookie -> cookie.sameSite("Lax").path("/"));
        return http.authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(DispatcherType.ERROR)
                        .permitAll()
                        .requestMatchers("/error", "/actuator/**")
                        .denyAll()
                        .requestMatchers("/api/health", "/api/openapi.json")
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, "/api/session")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, "/api/session")
                        .permitAll()
                        .requestMatchers(
                                "/api/invitations/*", "/api/backups/local", "/api/calendar/*", "/api/sent-readings/*")
                        .permitAll()
                        .requestMatchers("/api/session/**", "/api/search", "/api/decisions")
                        .authenticated()
                        .requestMatchers("/api/backups/**", "/api/storage/**")
                        .hasRole(Level.ADMINISTRATOR.name())
                        .requestMatchers(HttpMethod.GET, "/api/**")
                        .authenticated()
                        .requestMatchers("/api/people/**", "/api/private-hosts/**")
                        .hasRole(Level.ADMINISTRATOR.name())
                        .requestMatchers("/api/**")
                        .hasAnyRole(EDITORS)
                        .anyRequest()
                        .permitAll())
                .csrf(csrf -> csrf.csrfTokenRepository(tokens)
                        .csrfTokenRequestHandler(new HeaderToken())
                        .ignoringRequestMatchers(SecurityConfiguration::needsNoToken))
                .securityContext(context -> context.securityContextRepository(contexts))
                .requestCache(cache -> cache.disable())
                .exceptionHandling(errors -> errors.authenticationEntryPoint((request, response, e) ->
                                Problems.write(response, HttpStatus.UNAUTHORIZED, "Sign in first."))
                        .accessDeniedHandler((request, response, e) -> Problems.write(
                                response,
                                HttpStatus.FORBIDDEN,
                                "You aren’t allowed to do this, or the request has no token.")))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .referrerPolicy(policy -> policy.policy(ReferrerPolicy.SAME_ORIGIN)))
                .formLogin(form -> form.disable())
                .httpBasic(basic -> basic.disable())
                .logout(logout -> logout.disable())
                .build();
    }

    private static boolean needsNoToken(HttpServletRequest request) {
        return request.getMethod().equals("POST")
                && (request.getServletPath().equals("/api/session")
                        || request.getServletPath().equals("/api/backups/local")
                        || request.getServletPath().startsWith("/api/sent-readings/")
                        || request.getServletPath().startsWith("/api/invitations/"));
    }

    /**
     * Takes the token from the header only. As a parameter it would have to be looked for in the body, which would be
     * parsed before anybody is known to be signed in.
     */
    private static final class HeaderToken extends CsrfTokenRequestAttributeHandler {
        HeaderToken() {
            setCsrfRequestAttributeName(null);
        }

        @Override
        public @Nullable String resolveCsrfTokenValue(HttpServletRequest request, CsrfToken token) {
            return request.getHeader(token.getHeaderName());
        }
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    PasswordEncoder passwordEncoder(@Value("${unciala.password-rounds}") int rounds) {
        return DigestedPasswords.withEarlier(rounds);
    }

    @Bean
    AuthenticationManager authenticationManager(AuthenticationConfiguration configuration) throws Exception {
        return configuration.getAuthenticationManager();
    }
}
