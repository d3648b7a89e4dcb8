# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What must hold after landing: each thing as it was ordered beside what is found from
      # outside.
      class LandingChecks
        include Locking
        extend Forwardable

        # id: which; what: Phrase; wanted, found: texts or Times; ok: do they agree, nil where
        # nobody can tell; mend: puts it right over the connection, or nil.
        Check =
          Struct.new(:id, :what, :wanted, :found, :ok, :mend, keyword_init: true) do
            # By this a person accepts it: another finding is another difference.
            def key = "#{id}=#{shown(found)}"
            def wrong? = ok == false
            def sentence = Words.phrase("checks.differs", what: what, found: found, wanted: wanted)
            def to_row
              {
                "what" => Words.text(what),
                "wanted" => shown(wanted),
                "found" => shown(found),
                "ok" => ok
              }
            end

            private

            def shown(value) = value.is_a?(Time) ? Words.mark(value) : Words.text(value)
          end

        attr_reader :act

        def_delegators :act,
                       :plan,
                       :state,
                       :ports,
                       :gaining,
                       :new_host,
                       :sentence,
                       :intend,
                       :epp,
                       :info,
                       :move

        # act: of the step that checks.
        def initialize(act)
          @act = act
        end

        # Returns [Check].
        def all
          record = act.public_record
          [
            registrar(record),
            expiry(record),
            lock(record),
            privacy(record),
            servers(record),
            records || answers(record),
            *on_word
          ].compact
        end

        private

        def check(id, wanted, found, mend: nil)
          Check.new(
            id: id,
            what: Words.phrase("checks.#{id}"),
            wanted: wanted,
            found: found,
            ok: wanted == found,
            mend: mend
          )
        end

        # By its number, or any of the names that it has in the public record.
        def registrar(record)
          found =
            check("registrar", gaining.registrar, record.registrar || Words.phrase("checks.none"))
          found.tap { |c| c.ok = gaining.shown_by?(record) == true }
        end

        # The expiry as computed from the landing instant (core/expiry.rb).
        def expiry(record)
          at = Common::ExpiryAfter.landed_at(state)
          return unless at && plan.expires_at

          wanted = Common::ExpiryAfter.reckoned(plan, at)
          record.expires_at ? check("expiry", wanted, record.expires_at) : unknown("expiry", wanted)
        end

        # Nobody shows it: neither as ordered nor otherwise.
        def unknown(id, wanted)
          Check.new(
            id: id,
            what: Words.phrase("checks.#{id}"),
            wanted: wanted,
            found: Words.phrase("checks.not_shown")
          )
        end

        def lock(record)
          return unless plan.options.intersect?(%i[lock lock_back]) && plan.wanted.lock?

          on = Words.phrase("checks.on")
          found =
            Words.phrase(
              { "yes" => "checks.on", "no" => "checks.off" }.fetch(
                record.lock.to_s,
                "checks.not_shown"
              )
            )
          check("lock", on, found, mend: over_connection { put_lock(gaining) })
        end

        # Where something was ordered of it: does a service stand in, by the address that the
        # record shows? Without one nobody can tell.
        def privacy(record)
          wanted = privacy_ordered or return
          shown = gaining.stands_in(record.registrant_email, plan.name)
          asked = Words.phrase("checks.#{wanted}")
          return unknown("privacy", asked) if shown.nil?

          check("privacy", asked, Words.phrase(shown ? "checks.on" : "checks.off"))
        end

        # on, off, or nil where nothing was.
        def privacy_ordered
          return "on" if plan.options.include?(:privacy_back)

          plan.wanted.privacy unless plan.wanted.privacy == "as_before"
        end

        def servers(record)
          wanted = (plan.carry? ? new_host.name_servers : plan.name_servers.to_a).sort
          if wanted.empty? || record.name_servers.nil?
            return unknown("name_servers", wanted.join(", "))
          end

          found = record.name_servers.sort
          check(
            "name_servers",
            wanted.join(", "),
            found.join(", "),
            mend: over_connection { set_servers(wanted) }
          )
        end

        def records
          return unless plan.carry?

          zone = ports.carrying.wanted(plan.name, ports.zones.of_move(move.id, plan.name), new_host)
          bad = ports.servers.deviations(new_host.name_servers, zone)
          found =
            bad.empty? ? Words.phrase("checks.records_there") : bad.first(3).map(&:says).join("; ")
          Check.new(
            id: "records",
            what: Words.phrase("checks.records"),
            ok: bad.empty?,
            found: found,
            wanted: Words.phrase("checks.records_wanted", count: zone.content.size)
          )
        end

        # Every name server is asked for every record set of the copy: it answers as it did before
        # the order. Without a copy nobody can tell.
        def answers(record)
          before = state.told("answers_before")&.data&.fetch("answers_before")
          zone = ports.zones.of_move(move.id, plan.name)
          servers = record.name_servers || plan.name_servers.to_a
          wanted = Words.phrase("checks.answers_wanted")
          return unknown("answers", wanted) unless before && zone && servers.any?

          worse = worse(ports.servers.answers(servers, zone), before)
          found =
            (
              if worse.empty?
                Words.phrase(
                  "checks.answers_same",
                  servers: servers,
                  sets: Words.sets(zone.content.size)
                )
              else
                worse.first(4).join("; ")
              end
            )
          Check.new(
            id: "answers",
            what: Words.phrase("checks.answers"),
            wanted: wanted,
            found: found,
            ok: worse.empty?
          )
        end

        # now, before: {server => what differs from the copy, nil of one that is silent}.
        def worse(now, before)
          now.flat_map do |server, sets|
            was = before[server]
            if sets.nil?
              next(
                was.nil? && before.key?(server) ? [] : ["#{server}: #{Words.say(:"checks.silent")}"]
              )
            end

            (sets - was.to_a).map { |set| "#{server}: #{set}" }
          end
        end

        # What nobody outside can see, as a person said it; asked in a step of its own before this
        # one.
        def on_word
          word =
            act.move.events.reverse_each.find do |e|
              e.type == "said" && plan.with_trait(:settings)&.id == e.step
            end
          return [] unless word

          plan.wanted.hidden.map do |what, wanted|
            says = Words.phrase("checks.on_word", by: word.by, at: word.at)
            Check.new(
              id: what.to_s,
              what: Words.phrase("checks.#{what}"),
              wanted: wanted,
              found: says,
              ok: true
            )
          end
        end

        def over_connection(&mend) = gaining.kind == "epp" ? mend : nil

        def set_servers(wanted)
          held = info(gaining).name_servers
          change = { add: { name_servers: wanted - held }, rem: { name_servers: held - wanted } }
          intend(sentence("acts.servers_set", servers: wanted)) do |key|
            epp(gaining, Act::Commands.update(name: plan.name, id: key, **change))
          end
        end
      end
    end
  end
end
