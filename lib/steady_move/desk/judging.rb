# frozen_string_literal: true

module SteadyMove
  module Desk
    # The verdict on names that are held.
    class Judging
      # A name with all that is known and judged of it.
      Judged = Struct.new(:row, :name, :facts, :verdict, :account, :move, keyword_init: true) do
        # What keeps a move from starting: bars and waits. Fixes are steps of the move itself.
        def findings_open = verdict.findings.select { |f| %w[bar wait].include?(f.effect) }
        def needs_carry? = verdict.findings.any? { |f| f.rule == "dns-leaves" }
      end

      def initialize(app)
        @app = app
      end

      # All names at an instant.
      def all(at: @app.now)
        facts = @app.names.facts_of_all
        accounts = @app.accounts.all.to_h { |a| [a.id, a] }
        moves = @app.moves.open.to_h { |m| [m.name, m] }
        @app.names.all.map { |row| judged(row, facts.fetch(row[:name], none), accounts[row[:account_id]], moves[row[:name]], at) }
      end

      # One name (A-label text); nil where it isn't held.
      def one(name, at: @app.now)
        row = @app.names.find(name) or return
        judged(row, @app.names.facts(name), @app.accounts.find(row[:account_id]), @app.moves.open_for(name), at)
      end

      private

      def none = Core::Readiness::Facts.new([])

      def judged(row, facts, account, move, at)
        name = Core::Names::DomainName.known(row[:name], row[:unicode])
        Judged.new(row: row, name: name, facts: facts, account: account, move: move,
                   verdict: Core::Readiness::Judge.verdict(@app.rulebook, name, facts, at: at))
      end
    end
  end
end
