# frozen_string_literal: true

module SteadyMove
  module Desk
    # Incoming mail: fetched, understood, matched to moves and letters, and what may follow from it.
    # Moves do not know this room; it tells them.
    #
    #   Mail::PostRoom.new(desk).fetch
    #   Mail::Replies.new(desk).count(message, by: person)
    module Mail
      extend Room

      needs :accounts,
            :codes,
            :db,
            :heard,
            :journal,
            :letters,
            :inboxes,
            :mailboxes,
            :messages,
            :moves,
            :names,
            :now,
            :random,
            :rulebook,
            :schedule,
            :sender,
            :settings
      offers :Listening, :MailboxTrial, :PostRoom, :Replies, :SenderQuestion
    end
  end
end
