# frozen_string_literal: true

module SteadyMove
  module Store
    # Registrar accounts and DNS hosts: where names and zones are held, with their habits.
    class Accounts
      # habits: how zones are put there: site, login, algorithm (of its key), reads_files,
      # owner_form, target_dot, quotes_texts, and what it can't hold (Core::Records::HostLimits).
      Host =
        Struct.new(
          :id,
          :title,
          :name_servers,
          :key_name,
          :secret,
          :ends_with,
          :habits,
          keyword_init: true
        ) do
          def initialize(habits: {}, **members) = super
          # Can the desk fetch and change zones there by itself?
          def connected? = !key_name.nil? && !secret.nil?
          def serves?(servers) = servers.any? && (servers - name_servers).empty?
          def inspect = "#<Host #{id}>"
        end

      def initialize(db, safe, stamp = ChangeCounter.new(db))
        @db = db
        @safe = safe
        @stamp = stamp
        @opened = {}
        @read = [nil, {}]
      end

      def put(account)
        @db[:accounts].insert_conflict(:replace).insert(
          id: account.id,
          title: account.title,
          registrar: account.registrar,
          kind: account.kind,
          connection: Values.dump(account.connection),
          habits: Values.dump(account.habits),
          prices: Values.dump(account.prices),
          sender_domains: Values.dump(account.sender_domains),
          secret: account.secret && @safe.seal(account.secret)
        )
        @stamp.touch
      end

      # The same account with some habits changed; nil takes one out. Returns it.
      def keep_habits(account, change)
        account.dup.tap do |a|
          a.habits = account.habits.merge(change).compact
          put(a)
        end
      end

      def remove(id) = @db[:accounts].where(id: id).delete && @stamp.touch
      def remove_host(id) = @db[:dns_hosts].where(id: id).delete && @stamp.touch

      def put_host(host)
        @db[:dns_hosts].insert_conflict(:replace).insert(
          id: host.id,
          title: host.title,
          name_servers: Values.dump(host.name_servers),
          key_name: host.key_name,
          secret: host.secret && @safe.seal(host.secret),
          ends_with: host.ends_with,
          habits: Values.dump(host.habits || {})
        )
        @stamp.touch
      end

      def all = kept(:accounts) { @db[:accounts].order(:title).map { |r| account(r) } }
      def hosts = kept(:hosts) { @db[:dns_hosts].order(:title).map { |r| host(r) } }
      def find(id) = all.find { |a| a.id == id }
      def host_of(id) = hosts.find { |h| h.id == id }

      # The host whose name servers these are; nil where none is known.
      def host_serving(servers) = hosts.find { |h| h.serves?(servers) }

      private

      # What was read stays in memory until a place is changed, by whichever process.
      def kept(what)
        stamp = @stamp.current
        held, lists = @read
        lists = (@read = [stamp, {}]).last unless held == stamp
        lists[what] ||= yield.freeze
      end

      # Opening takes a while; what was opened once stays in memory for as long as its sealed form
      # is the same.
      def opened(sealed) = sealed && (@opened[sealed.to_s] ||= @safe.open(sealed))

      def account(row)
        maps = %i[connection habits prices sender_domains].to_h { |k| [k, Values.load(row[k])] }
        Core::Accounts::Account.new(**row, **maps, secret: opened(row[:secret])).freeze
      end

      def host(row)
        Host.new(
          **row,
          name_servers: Values.load(row[:name_servers]),
          secret: opened(row[:secret]),
          habits: Values.load(row[:habits])
        ).freeze
      end
    end
  end
end
