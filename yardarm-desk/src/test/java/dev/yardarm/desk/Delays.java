package dev.yardarm.desk;

import static net.bytebuddy.matcher.ElementMatchers.isAbstract;
import static net.bytebuddy.matcher.ElementMatchers.isInterface;
import static net.bytebuddy.matcher.ElementMatchers.isMethod;
import static net.bytebuddy.matcher.ElementMatchers.isNative;
import static net.bytebuddy.matcher.ElementMatchers.nameContains;
import static net.bytebuddy.matcher.ElementMatchers.nameStartsWith;
import static net.bytebuddy.matcher.ElementMatchers.none;
import static net.bytebuddy.matcher.ElementMatchers.not;

import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;
import net.bytebuddy.agent.ByteBuddyAgent;
import net.bytebuddy.agent.builder.AgentBuilder;
import net.bytebuddy.asm.Advice;

/**
 * Lets threads meet where they seldom do. With {@code -Dyardarm.delays=1000} one of a thousand calls of a method of the desk or of the data
 * behind it waits a moment first, up to {@code -Dyardarm.delays.millis=25}, on every thread but that of the test: what rests on something being
 * done soon enough fails then. Without it nothing is changed. Cost: a run takes two to three times as long.
 */
public final class Delays {
    private static final int ONE_OF = Integer.getInteger("yardarm.delays", 0);
    private static final int MILLIS = Integer.getInteger("yardarm.delays.millis", 25);

    private Delays() {}

    static {
        if (ONE_OF > 0) {
            new AgentBuilder.Default()
                    .disableClassFormatChanges()
                    .with(AgentBuilder.RedefinitionStrategy.RETRANSFORMATION)
                    .ignore(none().or(nameStartsWith("net.bytebuddy"))
                            .or(nameContains("Test"))
                            .or(nameStartsWith(Delays.class.getName())))
                    .type(nameStartsWith("dev.yardarm.desk.")
                            .or(nameStartsWith("dev.yardarm.data."))
                            .and(not(isInterface())))
                    .transform((builder, type, loader, module, domain) -> builder.visit(Advice.to(BeforeCall.class)
                            .on(isMethod().and(not(isAbstract())).and(not(isNative())))))
                    .installOn(ByteBuddyAgent.install());
        }
    }

    /** From now on there are delays, when they are wanted. */
    static void begin() {
        // Loading the class has done it.
    }

    /** Waits a moment now and then; called by what is tried. */
    public static void perhaps() {
        ThreadLocalRandom chance = ThreadLocalRandom.current();
        if (chance.nextInt(ONE_OF) != 0 || Thread.currentThread().getName().equals("main")) {
            return;
        }
        // An interrupt that came before is for who is called.
        boolean interrupted = Thread.interrupted();
        try {
            TimeUnit.MILLISECONDS.sleep(1 + chance.nextInt(MILLIS));
        } catch (InterruptedException came) {
            interrupted = true;
        }
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    /** What stands before each call. */
    public static final class BeforeCall {
        private BeforeCall() {}

        @Advice.OnMethodEnter
        static void enter() {
            Delays.perhaps();
        }
    }
}
