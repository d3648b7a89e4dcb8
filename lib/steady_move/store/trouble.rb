# frozen_string_literal: true

require "sqlite3"

module SteadyMove
  module Store
    # What hinders the database, told from SQLite's result codes (sqlite.org/rescode.html): a key of
    # the catalogue's “trouble”, or nil where it is none of these.
    module Trouble
      KINDS = {
        SQLite3::FullException => :disk_full,
        SQLite3::ReadOnlyException => :read_only,
        SQLite3::CantOpenException => :read_only,
        SQLite3::PermissionException => :read_only,
        SQLite3::IOException => :disk_fails,
        SQLite3::BusyException => :locked,
        SQLite3::LockedException => :locked,
        SQLite3::CorruptException => :damaged,
        SQLite3::NotADatabaseException => :damaged
      }.freeze

      module_function

      # error: what was raised, by Sequel or by SQLite.
      def kind(error)
        inner =
          (
            if error.respond_to?(:wrapped_exception) && error.wrapped_exception
              error.wrapped_exception
            else
              error
            end
          )
        return :disk_full if inner.is_a?(Errno::ENOSPC)

        KINDS.find { |kind, _| inner.is_a?(kind) }&.last
      end

      # The sentence for it, or nil.
      def say(error) = (kind = kind(error)) && Words.say(:"trouble.#{kind}")
    end
  end
end
