# frozen_string_literal: true

module SteadyMove
  module Desk
    module Records
      # Services that end with the old account: mail and web forwarding, parking, hosting,
      # certificates. Found by records that point at the registrar's or its host's own names, by
      # what a copied table shows, and by asking a person; each is replaced or given up knowingly.
      class TiedServices
        KINDS = %w[
          mail_forwarding
          web_forwarding
          parking
          hosting
          certificate
          mailboxes
          dynamic_dns
          other
        ].freeze
        STATES = %w[open replaced given_up none].freeze
        # What a person is asked about, since no record shows it.
        ASKED = %w[mail_forwarding web_forwarding hosting certificate mailboxes].freeze
        Tied = Store::ZoneMigrations::Tied
        # How a record that points there is a service, by its type.
        BY_TYPE = {
          "MX" => "mail_forwarding",
          "A" => "hosting",
          "AAAA" => "hosting",
          "CNAME" => "web_forwarding",
          "TXT" => "mail_forwarding"
        }.freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # What the newest copy of the zone shows, what was found before, and what a person has to be
        # asked, since no record shows it. Returns [Tied].
        def list(name)
          held = known(name)
          shown = (shown_by_records(name) + noted(name)).reject { |t| held.key?(t.key) }
          all = held.values + shown
          all + asked(name).reject { |t| all.any? { |a| a.kind == t.kind } }
        end

        # What is still open, so that a move should not be ordered without a word.
        def open(name) = list(name).select { |t| t.state == "open" }

        # One that a table showed.
        def found(name, kind:, detail:)
          tied = unsettled(name, kind, detail)
          @ports.zone_migrations.put_tied(tied) unless known(name)[tied.key]
        end

        # state: of STATES; reason: what replaces it, or why it may go. Raises Refused.
        def settle(name, key, state:, by:, reason: nil)
          held = list(name).find { |t| t.key == key } or
            raise Refused.new(:unknown, :no_tied_service, key: key)
          raise Refused.new(:invalid, :no_such_state, known: STATES) unless STATES.include?(state)
          if %w[replaced given_up].include?(state) && reason.to_s.strip.empty?
            raise Refused.new(:invalid, :tied_reason)
          end

          @ports.zone_migrations.put_tied(
            Tied.new(**held.to_h, state: state, reason: reason, by: by, at: @ports.now)
          )
          @ports.journal.add(
            "tied",
            at: @ports.now,
            name: name,
            by: by,
            says:
              Words.phrase(
                "journal.tied_#{state}",
                name: name,
                what: Words.say(:"records.tied.#{held.kind}"),
                detail: held.detail,
                reason: reason.to_s,
                by: by
              )
          )
        end

        private

        def known(name) = @ports.zone_migrations.tied(name).to_h { |t| [t.key, t] }

        def unsettled(name, kind, detail)
          Tied.new(
            name: name,
            key: "#{kind} #{detail}".strip[0, 200],
            kind: kind,
            detail: detail,
            state: "open",
            reason: nil,
            by: "desk",
            at: @ports.now
          )
        end

        def shown_by_records(name)
          domains = own_domains(name)
          copy = domains.any? && @ports.zone_migrations.copy_of(name)
          (copy ? copy.zone.content : []).filter_map do |set|
            target = set.rdatas.filter_map { |r| pointed(r, domains) }.first
            target && unsettled(name, BY_TYPE[set.type], "#{set.name.to_host} → #{target}")
          end
        end

        # What a person noted of the account, or the account tells.
        def noted(name)
          told = Portfolio::Judging.new(@ports).one(name)&.facts&.[](:tied_services)
          Array(told == true ? [] : told || []).map do |text|
            kind = KINDS.find { |k| text.to_s.tr(" ", "_").start_with?(k) } || "other"
            unsettled(name, kind, text.to_s)
          end
        end

        # Where the present host ends with the registration, or is not known.
        def asked(name)
          judged = Portfolio::Judging.new(@ports).one(name) or return []
          host = @ports.accounts.host_serving(judged.facts[:name_servers] || [])
          if host.nil? || host.ends_with == judged.account.id
            ASKED.map { |kind| unsettled(name, kind, "") }
          else
            []
          end
        end

        # Domains of the registrar and of a DNS host that ends with it.
        def own_domains(name)
          judged = Portfolio::Judging.new(@ports).one(name) or return []
          account = judged.account
          pages = account.habits["site"].to_s[%r{\Ahttps?://([^/:]+)}, 1]
          writers = Core::Post::Writers.domains(account.sender_domains)
          [*writers, *hosting(account, judged), *pages].grep_v(/\A[\d.]+\z/).uniq
        end

        # Those of its servers, where the host ends with the account.
        def hosting(account, judged)
          host = @ports.accounts.host_serving(judged.facts[:name_servers] || [])
          return [] unless host && host.ends_with == account.id

          host.name_servers.map { |s| s.partition(".").last }
        end

        # The text of a target that lies under one of the domains.
        def pointed(rdata, domains)
          return unless BY_TYPE.key?(rdata.type)

          texts(rdata).find do |t|
            domains.any? { |d| t.downcase.match?(/(?:\A|[.:=\s])#{Regexp.escape(d)}\.?(?:\z|\s)/) }
          end
        end

        def texts(rdata)
          return [rdata.meaning.dup.force_encoding(Encoding::UTF_8).scrub] if rdata.type == "TXT"

          rdata.values.grep(Core::Records::Name).map(&:to_host)
        end
      end
    end
  end
end
