# frozen_string_literal: true

module SteadyMove
  module Desk
    # Who may sign in, and by what: people with their roles, passwords, second factors, sessions,
    # invitations and one-time words. Names of accounts and moves are not known here.
    #
    #   People::Directory.new(desk).find(id)
    #   People::Directory.may?("mover", "viewer")     # => true
    module People
      extend Room

      needs :db, :idle, :journal, :now, :safe, :secrets, :sender
      offers :Directory, :Filters, :Passwords, :Sessions
    end
  end
end
