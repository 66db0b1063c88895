package dev.yardarm.app.log;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.Configurator;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.ConsoleAppender;
import ch.qos.logback.core.spi.ContextAwareBase;

/**
 * Sets up the log without reading a file, which at the start would take as long as reading the world. A file named by
 * {@code -Dlogback.configurationFile} is still followed.
 */
public final class LogSetup extends ContextAwareBase implements Configurator {
    @Override
    public ExecutionStatus configure(LoggerContext context) {
        if (System.getProperty("logback.configurationFile") != null) {
            return ExecutionStatus.INVOKE_NEXT_IF_ANY;
        }
        PatternLayoutEncoder lines = new PatternLayoutEncoder();
        lines.setContext(context);
        lines.setPattern("%d{HH:mm:ss.SSS} %-5level [%thread] %logger{20} - %msg%n");
        lines.start();
        ConsoleAppender<ILoggingEvent> console = new ConsoleAppender<>();
        console.setContext(context);
        console.setTarget("System.err");
        console.setEncoder(lines);
        console.start();
        Logger root = context.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        root.setLevel(Level.INFO);
        root.addAppender(console);
        return ExecutionStatus.DO_NOT_INVOKE_NEXT_IF_ANY;
    }
}
