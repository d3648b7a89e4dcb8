# frozen_string_literal: true

module SteadyMove
  module Desk
    module Records
      # The names whose records are in work, and how each stands: which zones are equal, which wait,
      # which need a decision.
      class RecordsList
        # state: no_copy, choose, decide, fill, equal, waits or settled; servers: {state => how
        # many} as they last answered.
        Line =
          Struct.new(
            :name,
            :unicode,
            :account,
            :present,
            :ends,
            :new_host,
            :choice,
            :copy,
            :state,
            :servers,
            :move,
            keyword_init: true
          )
        STATES = %w[decide no_copy choose fill waits equal settled].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # names: only these; else all in work. Returns [Line], what needs somebody first.
        def call(names: nil)
          wanted = names || in_work
          lines = wanted.filter_map { |name| line(name) }
          lines.sort_by { |l| [STATES.index(l.state), l.name] }
        end

        private

        def in_work = (@ports.zone_migrations.names_in_work + @ports.moves.carrying).uniq.sort

        def line(name)
          row = @ports.names.find(name) or return
          facts = @ports.names.facts(name)
          account = @ports.accounts.find(row[:account_id])
          present = @ports.accounts.host_serving(facts[:name_servers].to_a)
          carry = @ports.zone_migrations.carry(name)
          move = @ports.moves.open_for(name)
          host = ZoneMigration.new(@ports).new_host(name)
          copy = @ports.zone_migrations.copies(name).first
          servers = latest(name)
          Line.new(
            name: name,
            unicode: Core::Names::Idn.shown(name),
            account: account&.title,
            present: present&.title,
            ends: present && !present.ends_with.nil?,
            new_host: host&.title,
            choice: carry&.choice,
            copy: copy,
            state: state(host, copy, servers, move, name),
            servers: servers.map(&:state).tally,
            move: move
          )
        end

        def latest(name)
          @ports
            .zone_migrations
            .answers(name)
            .reject { |s| s.role == "parent" }
            .group_by { |s| [s.server, s.role] }
            .map { |_, all| all.last }
        end

        def state(host, copy, servers, move, name)
          return "waits" if move && move.state.with_trait(:caches)&.active?
          return "no_copy" unless copy
          return "choose" unless host
          return "decide" if undecided?(name, copy)

          fresh = servers.select { |s| s.role == "new" }
          fresh.any? && fresh.all? { |s| %w[new both].include?(s.state) } ? "equal" : "fill"
        end

        # By the newest look at the new host; a name without one has nothing to decide yet.
        def undecided?(name, copy)
          sheet =
            ZoneMigration.new(@ports).sheet(
              name,
              copy: @ports.zone_migrations.copy_of(name, id: copy.id)
            ) or return false
          sheet.counts["undecided"].positive?
        end
      end
    end
  end
end
