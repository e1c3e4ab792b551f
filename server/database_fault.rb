# frozen_string_literal: true

module MossyAnvil
  module Server
    # What a fault of the database means for whoever asked, by its SQLSTATE.
    class DatabaseFault
      # error: Sequel::Error.
      def initialize(error)
        @error = error
        @cause = error.wrapped_exception
        result = @cause.respond_to?(:result) ? @cause.result : nil
        @state = result&.error_field(PG::Result::PG_DIAG_SQLSTATE).to_s
        @constraint = result&.error_field(PG::Result::PG_DIAG_CONSTRAINT_NAME)
      end

      # Does it come of what was sent, so that there is nothing in it for the log?
      def ours? = @state == "23505"

      # RFC 9457 document.
      def problem
        case @error
        when Sequel::PoolTimeout
          Problems.busy(Problems.text("refused.the_database_has_no_connection_to_spare"))
        when Sequel::DatabaseConnectionError, Sequel::DatabaseDisconnectError
          Problems.database_away
        else
          by_state
        end
      end

      private

      def by_state
        case @state
        when "23505"
          Problems.unique(@constraint)
          # A number out of range, a day that is none, a character that cannot be kept, a check that failed.
        when /\A(22|23)/
          Problems.unkeepable
        when "53100"
          Problems.disk_full
        when /\A53/, /\A40/, "57014", "55P03"
          Problems.database_busy
        when /\A(57P|08|58)/
          Problems.database_away
        else
          Problems.broken
        end
      end
    end
  end
end
