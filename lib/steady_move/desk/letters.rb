# frozen_string_literal: true

module SteadyMove
  module Desk
    # What the desk writes to registrars and contacts: drafted from what open moves wait for, sent
    # once, reminded of.
    #
    #   Letters::LetterWriter.new(desk).draft(account_id)
    #   Letters::Correspondence.write(...)            # the text alone
    module Letters
      extend Room

      needs :accounts, :db, :inboxes, :journal, :letters, :messages, :moves, :now, :random, :sender
      offers :Addressee, :Correspondence, :LateLetter, :LetterWriter, :TypedValues
    end
  end
end
