# frozen_string_literal: true

module SteadyMove
  module Desk
    # Keeping the desk for years: its health, alerts, exports and imports, how long things are kept,
    # whether the journal is whole.
    #
    #   Operations::Health.new(desk, runner).checks
    #   Operations::Export.new(desk, folder).call
    module Operations
      extend Room

      needs :accounts,
            :address,
            :config,
            :db,
            :heard,
            :journal,
            :names,
            :now,
            :rdap,
            :safe,
            :schedule,
            :sender,
            :settings,
            :system_state,
            :trouble
      offers :Alerts, :Export, :Health, :Import, :JournalCheck, :Retention
    end
  end
end
