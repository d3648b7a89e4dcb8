# frozen_string_literal: true

module SteadyMove
  module Desk
    # Works out what a move would do and cost, before anything is done; and starts it.
    class Planning
      # plan: Moves::Plan; refusals: why it can't start; cautions: what to know; zone: what is known of the records; schedule: Blocks.
      Proposal = Struct.new(:plan, :quote, :refusals, :cautions, :zone, :schedule, keyword_init: true) do
        def startable? = refusals.empty?
      end
      # What the present DNS host said: records, sets, serial, the wait for caches in seconds, or why it said nothing.
      ZoneSurvey = Struct.new(:host, :sets, :serial, :settle_seconds, :problem, keyword_init: true)

      # The plan can't be carried out; says why.
      class NotStartable < StandardError; end

      # TTLs assumed where they can't be asked: a day at the parent, an hour in the zone (common practice).
      ASSUMED = Core::Records::Handover.new(parent_ns: 86_400, zone_ns: 3600, greatest: 3600, negative: 3600, registry: 0)

      # Fixes that are steps of the move, and those without which it is not started. Of the others it is told.
      STEPS = %w[locked dns-leaves privacy-on].freeze
      FIRST = %w[no-payment presence unpaid update-barred].freeze
      SIGNED = "The name is signed: with other name servers and the old DS at the registry it would fail for everyone who validates. " \
               "Have the DS removed, wait out its TTL, and look the name up again."

      def initialize(app)
        @app = app
      end

      # name: A-label text held here; to: account id; host: DNS host id to carry the records to, or nil to keep the name servers.
      # Returns a Proposal, or nil where the name, account or host isn't known.
      # fresh: look old facts up again first, because an act will rely on them.
      def propose(name, to:, host: nil, fresh: false)
        judged = Judging.new(@app).public_send(fresh ? :fresh : :one, name, to: to)
        account = @app.accounts.find(to)
        new_host = host && @app.accounts.host_of(host)
        return if judged.nil? || account.nil? || (host && new_host.nil?)

        zone = survey(judged) if new_host
        plan = plan(judged, account, new_host, zone)
        Proposal.new(plan: plan, quote: quote(judged.account, account), zone: zone, refusals: refusals(judged, account, new_host),
                     cautions: cautions(judged, zone), schedule: schedule(plan))
      end

      # What a move to an account, or to the usual destination, would cost: [account, Quote]; nil where no other is known, or its price.
      def going(judged, to: nil)
        account = @app.accounts.find(to || Destinations.usual(@app)) or return
        return if account.id == judged.account.id || account.prices["transfer"].nil?

        [account, quote(judged.account, account)]
      end

      # Starts the move; raises NotStartable, or Store::Moves::AlreadyMoving. Returns its id.
      def start(name, to:, by:, host: nil)
        proposal = propose(name, to: to, host: host, fresh: true) or raise NotStartable, "There is no such name, account or DNS host here."
        raise NotStartable, proposal.refusals.join(" ") unless proposal.startable?

        id = @app.moves.start(proposal.plan, at: @app.now)
        total = proposal.quote.total
        @app.journal.add("planned", at: @app.now, move_id: id, name: name, by: by,
                                    says: "The move of #{name} from #{proposal.plan.words[:from]} to #{proposal.plan.words[:to]} was started.",
                                    data: { "total" => total.minor, "currency" => total.currency })
        id
      end

      private

      def plan(judged, account, new_host, zone)
        family = @app.rulebook.family_of(judged.name)
        expires = judged.facts[:expires_at]
        years = family&.years_added || 1
        Core::Moves::Plan.new(
          name: judged.name.ascii, from: judged.account.id, to: account.id, new_host: new_host&.id, years: years,
          options: options(judged, family, new_host), ways: ways(judged.account, account, family), code_takes: judged.account.habits["code_takes"], expires_at: expires, response_days: family&.response_days || 5,
          expected_expiry: expires && Core::Expiry.after_move(expires_at: expires, landed_at: @app.now, years: years, max_years: family&.max_years || 10).expires_at,
          settle_seconds: zone&.settle_seconds || 0, name_servers: new_host ? new_host.name_servers : judged.facts[:name_servers],
          words: { service: judged.account.privacy_service&.fetch("title"), keeper: keeper(judged.account), name: judged.name.ascii, from: judged.account.title, to: account.title, old_host: judged.facts[:dns_host] || "the present DNS host",
                   new_host: new_host&.title || "the present DNS host" }
        ).freeze
      end

      def options(judged, family, new_host)
        code = family&.code != "none"
        privacy = judged.verdict.fixes.any? { |f| f.rule == "privacy-on" }
        [(:carry if new_host), (:lock if family&.lock != "none"), (:code if code), (:ask if code && judged.account.ways["code"] != "connection"), (:privacy if privacy),
         (:identity if privacy && judged.account.ways["privacy"] == "service" && judged.account.privacy_service&.fetch("identity", false)),
         (:contact if Contacts.mail_decides?(judged))].compact
      end

      # How each act of this move is done; a transfer that the holder approves by mail is released by the link in the registry's mail, and
      # lapses where nobody answers.
      def ways(from, account, family)
        by_mail = family&.approval == "mail" ? { "release" => "link", "silence" => "lapses" } : {}
        from.ways.merge("proof" => @app.sender ? "connection" : "page", "privacy_back" => account.ways["privacy"], **by_mail)
      end

      def keeper(account) = account.ways["privacy"] == "service" && account.privacy_service ? account.privacy_service["title"] : account.title

      def quote(from, account)
        Core::Money::Quoting.quote(account.prices, stay: from.prices["renew"] && from.prices)
      end

      def refusals(judged, account, new_host)
        open = judged.findings_open
        [
          ("#{judged.name} is already on the move." if judged.move), *other_ways(judged),
          ("#{account.title} holds it already." if account.id == judged.account.id),
          *open.map(&:because), *judged.verdict.fixes.select { |f| FIRST.include?(f.rule) }.map(&:because),
          ("Its zone ends with the registration at #{judged.account.title}: choose a DNS host to carry the records to." if judged.needs_carry? && new_host.nil?),
          ("#{account.title} has no connection, so the desk can't order there; give it one under Accounts." unless account.kind == "epp"),
          *unreachable(judged),
          (SIGNED if new_host && judged.facts[:signed]),
          ("#{new_host.title} serves it already." if new_host && new_host.title == judged.facts[:dns_host])
        ].compact
      end

      # Where everything goes by letter, an address for letters has to be known.
      def unreachable(judged)
        return [] unless judged.account.ways.value?("letter") && judged.account.habits["support"].to_s.empty?

        ["#{judged.account.title} is written to for some acts, and no address of its support is known; set it under Accounts."]
      end

      # Families that neither the registry nor the holder approves are judged here, and moved at the registrar by hand.
      def other_ways(judged)
        family = judged.judgement.family
        return [] if family.nil? || %w[registry mail].include?(family.approval)

        ["Names under “.#{judged.name.suffix}” go another way (#{family.title.downcase}); the desk judges them, and carries out moves that the registry or the holder approves."]
      end

      def cautions(judged, zone)
        own = judged.verdict.findings.select { |f| f.effect == "caution" || (f.effect == "fix" && !(STEPS + FIRST).include?(f.rule)) }
        own.map(&:because) +
          [zone&.problem].compact +
          judged.verdict.unknown.map { |u| "Not known yet (#{u.rule}): #{u.find_out}" }
      end

      def schedule(plan)
        Core::Forecast::Schedule.of(Core::Moves::State.fold(plan, []), at: @app.now)
      end

      def survey(judged)
        servers = judged.facts[:name_servers] || []
        host = @app.accounts.host_serving(servers)
        return ZoneSurvey.new(host: nil, settle_seconds: ASSUMED.settles_after, problem: "Nobody is known to serve #{judged.name}.") unless host

        zone = @app.dns.transfer(servers.first, judged.name.ascii, key: Zones.key(host))
        ZoneSurvey.new(host: host.title, sets: zone.content.size, serial: zone.soa&.values&.at(2), settle_seconds: handover(judged.name, zone).settles_after)
      rescue Wire::Error => e
        ZoneSurvey.new(host: host.title, settle_seconds: ASSUMED.settles_after, problem: "The zone could not be fetched yet: #{e.says}.")
      end

      def handover(name, zone)
        Zones.new(@app).handover(name, zone)
      end
    end
  end
end
