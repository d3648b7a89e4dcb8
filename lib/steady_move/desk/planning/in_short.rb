# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # What a person asks first of a name, a plan or a move, in a sentence each: do site and mail
      # stay up, and what came of it.
      class InShort
        # What a move of a name would be, if it started now. finish: [early, usual, late] Times,
        # empty where it can't start; uptime: sentence; expected_expiry: Time or nil.
        # futures: Core::Forecast::Futures::Two or nil.
        Ahead = Struct.new(:finish, :futures, :uptime, :expected_expiry, keyword_init: true)
        # Do site and mail stay up? stays: Core::Answer; word: the same in a word or two; says:
        # sentence; because: what it rests on.
        Uptime =
          Struct.new(:stays, :word, :says, :because, keyword_init: true) do
            def to_s = "#{says}: #{because}"
          end

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Do site and mail stay up? plan: Core::Moves::Plan. Returns Uptime.
        def uptime(plan)
          stays = untouched?(plan) ? Core::Answer::YES : stays(plan)
          words = Common::MoveWords.values(plan, @ports.accounts)
          key = uptime_key(plan, stays)
          Uptime.new(
            stays: key == "not_known" ? Core::Answer::UNKNOWN : stays,
            word: say("word.#{key}"),
            says: say("uptime.#{key}", **words),
            because: say("because.#{key}", **words)
          )
        end

        # Does the present DNS host outlive the registration? By what the plan keeps; of one of old,
        # by what is known of its host: nothing at all is not known.
        def stays(plan)
          return Core::Answer.of({ "yes" => true, "no" => false }[plan.dns_stays]) if plan.dns_stays

          host = plan.old_host && @ports.accounts.host_of(plan.old_host)
          Core::Answer.of(host && host.ends_with != plan.from)
        end

        # What came of a move that is over, with its instant; nil of one that goes on.
        def result(move)
          return if move.open

          checks = move.state.told("checks")&.data&.fetch("checks") || []
          key = move.state.ending.to_s.tr("-", "_")
          unseen = checks.count { |c| c["ok"].nil? }
          key = "settled_unchecked" if key == "settled" && checks.empty?
          key = "settled_unseen" if key == "settled" && unseen.positive?
          say(
            "result.#{key}",
            at: move.state.ended_at || move.events.last.at,
            ok: checks.count { |c| c["ok"] },
            all: checks.size,
            unseen: unseen,
            **Common::MoveWords.values(move.plan, @ports.accounts)
          )
        end

        # judged: Judging's; to: account id, or nil for the usual destination. Returns Ahead, nil
        # where nowhere is known.
        def ahead(judged, to: nil)
          to ||= Accounts::Destinations.usual(@ports)
          return if to.nil? || to == judged.account.id

          host =
            (
              if judged.needs_carry?
                Portfolio::CarryHosts.chosen(@ports, judged.name.ascii, to: to)&.id
              else
                nil
              end
            )
          found =
            Planner.new(@ports).propose(
              Request.new(name: judged.name.ascii, to: to, host: host, unasked: true)
            ) or return
          range = @ports.forecasts.of_plan(found.plan) if found.startable?
          Ahead.new(
            finish: range ? range.spread.range : [],
            futures: range&.futures,
            uptime: uptime(found.plan),
            expected_expiry: found.plan.expected_expiry
          )
        end

        # The same of a move that is under way.
        def under_way(move)
          range = @ports.forecasts.for_move(move)
          Ahead.new(
            finish: range.spread.range,
            futures: range.futures,
            uptime: uptime(move.plan),
            expected_expiry: Common::ExpiryAfter.of(move).first
          )
        end

        private

        # Are the new servers set only once the name has landed, so that the old host has to answer
        # until then?
        def rests_on_old?(plan) = plan.options.include?(:servers_landed)

        # Does the move itself see to it? What is only made ready changes no record.
        def untouched?(plan) = plan.prepare? || (plan.carry? && !rests_on_old?(plan))

        def uptime_key(plan, stays)
          return "only_ready" if plan.prepare?
          if rests_on_old?(plan) && !stays.yes?
            return stays.unknown? ? "after_landing" : "down_until"
          end
          return "carried" if plan.carry?
          return "not_known" if plan.name_servers.to_a.empty?

          { "yes" => "kept", "no" => "ends" }.fetch(stays.to_s, "not_asked")
        end

        def say(key, **values) = Words.say(:"short.#{key}", **values)
      end
    end
  end
end
