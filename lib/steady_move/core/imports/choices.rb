# frozen_string_literal: true

module SteadyMove
  module Core
    module Imports
      # What somebody chose while looking at the rows that were read. as: "table" or "names", nil as
      # it seems; kinds: a key of Kinds or nil for each column, nil as they seem; settled:
      # Cells::Settled; mended: {row's place => {column's place => text}}; left_out: places of rows
      # that stay out; clear: does an empty cell take back what was noted; accounts: {registrar as
      # the table calls it => an account's id, NEW or OUT}; account: the id that rows without one
      # belong to, or nil. Places count from nought.
      Choices =
        Struct.new(
          :as,
          :kinds,
          :settled,
          :mended,
          :left_out,
          :clear,
          :accounts,
          :account,
          keyword_init: true
        ) do
          # As nobody has chosen anything yet.
          #   Imports::Choices.none.left_out # => []
          def self.none
            new(settled: Cells::Settled.new, mended: {}, left_out: [], clear: false, accounts: {})
          end
        end
      # An account by hand is made for this registrar; or its rows stay out.
      NEW = "new"
      OUT = "out"
    end
  end
end
