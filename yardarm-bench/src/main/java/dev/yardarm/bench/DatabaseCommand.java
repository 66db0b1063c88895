package dev.yardarm.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;

/** The embedded database alone as a command, for comparison with commands of the application: does what is said and ends. */
public final class DatabaseCommand {
    private DatabaseCommand() {}

    /** @param statements of SQL, done one after the other */
    public static void main(String[] statements) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:");
                Statement statement = connection.createStatement()) {
            for (String sql : statements) {
                statement.execute(sql);
            }
        }
    }
}
