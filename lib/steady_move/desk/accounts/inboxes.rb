# frozen_string_literal: true

module SteadyMove
  module Desk
    module Accounts
      # The mailboxes that are read. Each is where somebody set it on screen, or where the
      # configuration file says.
      class Inboxes
        # id: the desk's number of it; endpoint: {host, port, login, password, tls, folder}; ids:
        # how its own server calls itself in Authentication-Results (RFC 8601 §2.5); trusting: it
        # delivers nothing that is not proven; of_file: the configuration file says where it is;
        # tried_at: Time or nil, found: strips, ignored, believed or nil, as MailboxTrial has them.
        Inbox =
          Struct.new(
            :id,
            :endpoint,
            :ids,
            :trusting,
            :of_file,
            :tried_at,
            :found,
            keyword_init: true
          )
        SHOWN = %i[host port login tls folder].freeze
        LOOPBACK = /\A(?:localhost|127\.\d+\.\d+\.\d+|::1)\z/
        ENCRYPTED = %w[true yes starttls].freeze
        PLAIN = %w[false no].freeze
        NAME = /\A[\w.:-]{1,255}\z/

        # rows: Store::Inboxes; config: Config.
        def initialize(rows, config)
          @rows = rows
          @config = config
        end

        # [Inbox]: those of which it is known where they are.
        def all
          @rows.all.filter_map do |row|
            endpoint = row.endpoint[:host] ? row.endpoint : (row.of_file && @config.mailbox)
            inbox(row, endpoint) if endpoint
          end
        end

        # What a screen shows of each: never its password.
        def shown
          all.map do |box|
            {
              id: box.id,
              **box.endpoint.slice(*SHOWN),
              ids: box.ids,
              trusting: box.trusting,
              of_file: box.of_file,
              tried_at: box.tried_at&.iso8601,
              found: box.found
            }
          end
        end

        # given: {host, port, login, password, tls, folder} and, where they are known, ids and
        # trusting. Returns its id; raises Refused.
        def add(given)
          check_endpoint(given)
          check_server(given)
          @rows.add(**given)
        end

        # Only what is given changes. Raises Refused.
        def change(id, given)
          box = find(id)
          check_endpoint({ **box.endpoint, **given }) if given.keys.intersect?(SHOWN)
          check_server(given)
          given = box.endpoint.merge(given) if box.of_file && given.key?(:host)
          @rows.change(id, **given)
        end

        # Raises Refused.
        def remove(id, at:)
          find(id)
          @rows.remove(id, at: at)
        end

        # Inbox; raises Refused.
        def find(id)
          all.find { |box| box.id == id } || raise(Refused.new(:unknown, :no_such_mailbox, id: id))
        end

        # [UIDVALIDITY or nil, the UID up to which all was read].
        def read_to(id) = @rows.read_to(id)

        def set_read(id, uidvalidity:, floor:)
          @rows.set_read(id, uidvalidity: uidvalidity, floor: floor)
        end

        def try(id, word, at:) = @rows.try(id, word, at: at)
        def tried_with(word) = @rows.tried_with(word)
        def found(id, found) = @rows.found(id, found)

        private

        def inbox(row, endpoint)
          Inbox.new(
            id: row.id,
            endpoint: endpoint.slice(*SHOWN, :password),
            ids: row.ids || named_in_file(row),
            trusting: row.trusting == true,
            of_file: row.of_file && row.endpoint[:host].nil?,
            tried_at: Store::Values.time(row.tried_at),
            found: row.found
          )
        end

        def named_in_file(row)
          return [] unless row.of_file

          @config.mailbox.to_h[:authserv_id].to_s.downcase.split(/[\s,]+/)
        end

        # Without encryption only on this machine: the password would be readable on the way.
        def check_endpoint(given)
          host, port, login, tls = given.values_at(:host, :port, :login, :tls)
          whole = host.to_s != "" && port.to_i.between?(1, 65_535) && login.to_s.match?(/\S/)
          raise Refused.new(:invalid, :setting_mailbox) unless whole

          tls = tls.nil? ? "true" : tls.to_s
          unless [*ENCRYPTED, *PLAIN].include?(tls)
            raise Refused.new(:invalid, :setting_mailbox_tls, given: tls)
          end
          return unless PLAIN.include?(tls) && !host.match?(LOOPBACK)

          raise Refused.new(:invalid, :setting_mailbox_plain)
        end

        def check_server(given)
          fine = given.fetch(:ids, []).all? { |id| id.to_s.match?(NAME) }
          raise Refused.new(:invalid, :setting_mail_server) unless fine
        end
      end
    end
  end
end
