# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # Which parts a move has (Core::Moves::Plan's options): from the verdict, the suffix's family,
      # both accounts' habits and what shall hold afterwards.
      class PlanOptions
        # What a gaining side may want confirmed => the option of its step.
        CONFIRMS = {
          "link" => :confirm_link,
          "halves" => :confirm_halves,
          "code" => :confirm_code
        }.freeze

        # zone: ZoneSurvey, where records are carried.
        def initialize(ports, judged, account, new_host, aims, zone: nil)
          @zone = zone
          @ports = Ports.of(ports)
          @judged = judged
          @account = account
          @new_host = new_host
          @aims = aims
        end

        def all
          [made_ready, records, servers_late, gaining, family_ways].reduce(:merge)
            .select { |_, there| there }
            .keys
        end

        # Those of the losing side alone.
        def made_ready_options = made_ready.select { |_, there| there }.keys

        # Those that turn a privacy service off.
        def uncovering_options = [:privacy, (:identity if identity)].compact

        private

        attr_reader :judged, :account, :new_host, :aims

        def family = judged.judgement.family

        # At the losing side.
        def made_ready
          code = family&.code != "none"
          {
            lock: family&.lock != "none",
            code: code,
            ask: code && ways["code"] != "connection",
            one_letter: code && family&.lock != "none" && by_letter?,
            privacy: privacy,
            identity: privacy && identity,
            contact: Common::ContactRoles.mail_decides?(judged)
          }
        end

        def ways = judged.account.ways
        # Does one letter ask for the lock and the code?
        def by_letter? = ways.values_at("unlock", "code").all?("letter")
        def privacy = judged.verdict.fixes.any? { |f| Pricing::COVERS.include?(f.rule) }

        def identity
          ways["privacy"] == "service" && judged.account.privacy_service&.fetch("identity", false)
        end

        # A copy and two looks are wanted of every zone that stays where it is.
        def keeps_zone? = new_host.nil? && judged.facts[:name_servers].to_a.any?

        def records
          old = new_host && @ports.accounts.host_serving(judged.facts[:name_servers] || [])
          {
            carry: new_host,
            signed: new_host && judged.facts[:signed],
            old_set: old && Common::Zones.key(old),
            lower: @zone&.lowered,
            later: later?,
            keep_zone: keeps_zone?,
            stands_alone: stands_alone?(old)
          }
        end

        def later? = new_host && new_host.name_servers.empty?

        # The order brings the new name servers. They are switched before it is confirmed, where it
        # has to be; else once the name has landed, since a registry bars changes while a transfer
        # is pending (RFC 5730 §3, result 2304). What has to be gone from caches by then goes first.
        def servers_late
          late = later? && !pushed? && account.habits["gives_servers"] == true
          return {} unless late

          held = confirmed.any?
          signed = judged.facts[:signed] == true
          {
            servers_late: true,
            servers_held: held,
            servers_landed: !held,
            ds_first: signed,
            ds_after: signed && !held,
            lower_first: @zone&.lowered
          }
        end

        # Does the present host stay when the registration leaves, and nothing of DNSSEC has to be
        # changed after it?
        def stands_alone?(old)
          new_host && old && old.ends_with.nil? && judged.facts[:signed] == false
        end

        # Families that move otherwise; within one registrar nothing is ordered at all.
        def family_ways
          push = pushed?
          {
            push: push,
            within: within?,
            outside: push || !account.epp?,
            at_once: family&.approval == "none" && !push,
            papers: !family&.presence.nil? && !judged.facts[:presence_proven],
            **(push ? { lock: false, code: false, ask: false, one_letter: false } : {})
          }
        end

        def within? = judged.account.same_registrar?(account) == true
        def pushed? = within? || family&.approval == "push"

        def gaining
          {
            lock_back: family&.lock != "none" && aims.lock?,
            privacy_back: covered? && !account.habits["privacy"].nil?,
            settings: aims.hidden.any?,
            **confirmed
          }
        end

        # Shall a privacy service stand in afterwards?
        def covered? = aims.privacy?(Pricing.hidden?(judged))

        # What the gaining side wants confirmed before it passes an order on.
        def confirmed = account.epp? || pushed? ? {} : confirms

        def confirms
          CONFIRMS.slice(*account.habits["confirms"]).values.to_h { |option| [option, true] }
        end
      end
    end
  end
end
