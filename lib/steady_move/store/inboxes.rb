# frozen_string_literal: true

require "json"

module SteadyMove
  module Store
    # The mailboxes that are read: where each is, how its own server calls itself, and how far it
    # was read. One of them may be the configuration file's: its row says nothing of where it is
    # until somebody sets that on screen.
    class Inboxes
      ENDPOINT = %i[host port login tls folder].freeze
      # Where an earlier version kept them: settings of these keys, in this order, and how far each
      # was read under a number.
      BEFORE = %w[mailbox mailbox2 mailbox3 mailbox4 mailbox5].freeze
      SERVER_BEFORE = "mail_server"
      READ_BEFORE = "mailbox."
      # endpoint: {host, port, login, tls, folder, password}, {} where the file says it; ids: how
      # its server calls itself, or nil; trusting: true, false or nil; of_file: of the
      # configuration file; tried_at: when its server was tried, in seconds, or nil; found: what
      # came of that, or nil.
      Row =
        Struct.new(:id, :endpoint, :ids, :trusting, :of_file, :tried_at, :found, keyword_init: true)

      def initialize(db, safe)
        @db = db
        @rows = db[:inboxes]
        @safe = safe
      end

      # [Row], in the order in which they were added.
      def all = @rows.where(ended_at: nil).order(:id).map { |row| one(row) }

      # Takes in what an earlier version kept as settings, and the row of the file's mailbox where
      # there is one. Once at start.
      def settle(settings, state, of_file:)
        @db.transaction do
          server = server_before(settings)
          BEFORE.each_with_index do |key, number|
            said = settings.get(key)
            read = state["#{READ_BEFORE}#{number}"]
            take_over(number + 1, said, server, read) if said || read
            settings.remove(key)
            state.delete("#{READ_BEFORE}#{number}")
          end
          @rows.insert(of_file: true) if of_file && @rows.where(of_file: true).empty?
        end
      end

      # endpoint: {host, port, login, password, tls, folder} and ids, trusting. Returns the id.
      def add(**given) = @rows.insert(columns(given))

      # Changes what is given; a password that isn't stays.
      def change(id, **given) = @rows.where(id: id).update(columns(given))

      # It is read no more; what came from it stays. The file's one is where the file says again.
      def remove(id, at:)
        row = @rows.where(id: id)
        nothing = ENDPOINT.to_h { |c| [c, nil] }.merge(password: nil)
        row.get(:of_file) ? row.update(nothing) : row.update(ended_at: at.to_i, **nothing)
      end

      # A message with this word in it was sent to try the server.
      def try(id, word, at:)
        @rows.where(id: id).update(trial: word, tried_at: at.to_i, found: nil)
      end

      # Ids of the mailboxes whose trial has this word.
      def tried_with(word) = @rows.where(trial: word, ended_at: nil).select_map(:id)
      # found: strips, ignored or believed.
      def found(id, found) = @rows.where(id: id).update(trial: nil, found: found)

      # [UIDVALIDITY or nil, the UID up to which all was read].
      def read_to(id) = @rows.where(id: id).get(%i[uidvalidity floor])

      def set_read(id, uidvalidity:, floor:)
        @rows.where(id: id).update(uidvalidity: uidvalidity, floor: floor)
      end

      private

      def one(row)
        endpoint = row.slice(*ENDPOINT).compact
        endpoint[:password] = @safe.open(row[:password]) if row[:password]
        Row.new(
          id: row[:id],
          endpoint: endpoint,
          ids: row[:ids]&.split,
          trusting: row[:trusting],
          **row.slice(:of_file, :tried_at, :found)
        )
      end

      def columns(given)
        row = given.slice(*ENDPOINT, :trusting)
        row[:password] = @safe.seal(given[:password]) if given[:password]
        row[:ids] = given[:ids].join(" ") if given[:ids]
        row
      end

      # What was said of all servers together.
      def server_before(settings)
        said = settings.get(SERVER_BEFORE) or return {}
        settings.remove(SERVER_BEFORE)
        { ids: said["ids"].to_s.downcase.split(/[\s,]+/), trusting: said["trusting"] == true }
      end

      def take_over(id, said, server, read)
        @rows.insert_conflict(:replace).insert(
          id: id,
          of_file: said.nil?,
          uidvalidity: read&.fetch("validity", nil),
          floor: read.to_h.fetch("floor", 0),
          **columns((said || {}).transform_keys(&:to_sym).merge(server))
        )
      end
    end
  end
end
