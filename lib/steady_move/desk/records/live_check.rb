# frozen_string_literal: true

module SteadyMove
  module Desk
    module Records
      # Asks every name server of a name, old, new and the registry's, what it answers now, and
      # keeps what each said over time.
      class LiveCheck
        Records = Core::Records
        # At once, of different servers.
        AT_ONCE = 8
        # One server to ask: role old, new or parent.
        Ask = Struct.new(:server, :role)
        # state: old, new, both (where they are the same), neither, nothing (no such zone), refused,
        # silent; serial; detail: {differs: [sentence], answers: how many sets, sets: how many were
        # asked}.
        Said = Struct.new(:server, :role, :state, :serial, :detail, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
          @carrying = ZoneMigration.new(@ports)
        end

        # Asks now and keeps it, with the new host's whole zone. Returns [Said]; raises Refused.
        def call(name, by: "desk")
          judged = Portfolio::Judging.new(@ports).one(name) or
            raise Refused.new(:unknown, :not_held, name: name)
          old = @ports.zone_migrations.copy_of(name)&.zone
          host = @carrying.new_host(name)
          new = old && host ? @carrying.wanted(name, old, host) : nil
          trouble = new && ask_new(name, by)
          said = asked(judged, name, host, old, new).map { |s| with_trouble(s, trouble) }
          at = @ports.now
          @ports.db.transaction do
            said.each do |s|
              @ports.zone_migrations.saw(
                name,
                s.server,
                s.role,
                state: s.state,
                serial: s.serial,
                detail: s.detail,
                at: at
              )
            end
          end
          said
        end

        # The servers that are asked: those of the old and the new host, and the registry's.
        def servers(judged, name, host)
          present = judged.facts[:name_servers].to_a
          fresh = host ? host.name_servers : []
          plan = @ports.moves.of_name(name).map(&:plan).find { |p| host && p.new_host == host.id }
          old = plan&.old_name_servers || (present - fresh)
          old.map { |s| Ask.new(s, "old") } + fresh.map { |s| Ask.new(s, "new") } +
            parents(judged).map { |s| Ask.new(s, "parent") }
        end

        private

        # Asks the new host for its whole zone. Returns why it gave none, nil where it did.
        def ask_new(name, by)
          @carrying.ask_new(name, by: by)
          nil
        rescue Wire::Error => e
          e.says
        end

        # Beside what a new server answers: why the whole of its zone could not be had.
        def with_trouble(said, trouble)
          return said if trouble.nil? || said.role != "new"

          said.dup.tap { |s| s.detail = { "whole" => trouble, **s.detail.to_h } }
        end

        def parents(judged)
          Common::Zones.new(@ports).parents(judged.name)
        rescue Wire::Error
          [@ports.dns.parent_server(judged.name)].compact
        end

        def asked(judged, name, host, old, new)
          servers(judged, name, host)
            .each_slice(AT_ONCE)
            .flat_map do |asks|
              asks.map { |a| Thread.new { ask(a, judged, name, host, old, new) } }.map(&:value)
            end
        end

        def ask(asking, judged, name, host, old, new)
          return parent(asking, judged, host) if asking.role == "parent"

          soa = @ports.dns.query(asking.server, name, "SOA")
          unless answers?(soa, name)
            return said(asking, soa.rcode == "REFUSED" ? "refused" : "nothing")
          end

          serial = soa.set(Records::Name.parse(name), "SOA").first.rdata.values[2]
          compared(asking, serial, old, new)
        rescue Wire::Error => e
          said(asking, "silent", detail: { "why" => e.says })
        end

        def answers?(soa, name)
          soa.rcode == "NOERROR" && soa.authoritative &&
            soa.set(Records::Name.parse(name), "SOA").any?
        end

        # Whose content it answers.
        def compared(asking, serial, old, new)
          return said(asking, "answers", serial: serial) unless old

          servers = Common::Zones.new(@ports)
          from_old = servers.deviations([asking.server], old)
          from_new = new && (same?(old, new) ? from_old : servers.deviations([asking.server], new))
          state = state(from_old.empty?, from_new&.empty?)
          away = asking.role == "new" && from_new ? from_new : from_old
          said(
            asking,
            state,
            serial: serial,
            detail: {
              "sets" => old.answering.size,
              "count" => away.size,
              "differs" => away.first(20).map(&:says)
            }
          )
        end

        def same?(old, new) = Records::Comparison.differences(old, new).empty?

        def state(old, new)
          return old ? "old" : "neither" if new.nil?
          return "both" if old && new

          if old
            "old"
          else
            new ? "new" : "neither"
          end
        end

        # Which name servers and which DS the registry's server shows, and the addresses that it
        # gives beside them.
        def parent(asking, judged, host)
          apex = Records::Name.parse(judged.name.ascii)
          answer = @ports.dns.query(asking.server, judged.name.ascii, "NS")
          shown = answer.set(apex, "NS").map { |r| r.rdata.values.first.to_host.downcase }.sort
          ds =
            @ports
              .dns
              .query(asking.server, judged.name.ascii, "DS")
              .set(apex, "DS")
              .map { |r| r.rdata.to_s }
              .sort
          return said(asking, "nothing") if shown.empty?

          new = host && shown == host.name_servers.sort
          glue = glue(answer, apex)
          said(
            asking,
            new ? "new" : "old",
            detail: {
              "name_servers" => shown,
              "ds" => ds,
              "glue" => glue,
              **glue_differs(judged, glue)
            }
          )
        end

        # Addresses at the registry that the zone itself tells otherwise: whoever comes by the
        # registry is led elsewhere.
        def glue_differs(judged, glue)
          zone = glue.any? && @ports.zone_migrations.copy_of(judged.name.ascii)&.zone or return {}
          told =
            zone
              .all
              .select { |s| %w[A AAAA].include?(s.type) }
              .flat_map { |s| s.rdatas.map { |r| "#{s.name.to_host.downcase} #{r}" } }
          away = glue.reject { |g| told.include?(g) }
          return {} if away.empty?

          {
            "count" => away.size,
            "differs" => away.map { |g| Words.say(:"records.glue_differs", glue: g) }
          }
        end

        # Host objects under the name itself need addresses at the registry (RFC 5732 §1.1).
        def glue(answer, apex)
          answer
            .additional
            .select { |r| %w[A AAAA].include?(r.type) && r.name.under?(apex) }
            .map { |r| "#{r.name.to_host} #{r.rdata}" }
            .sort
        end

        def said(asking, state, serial: nil, detail: {})
          Said.new(
            server: asking.server,
            role: asking.role,
            state: state,
            serial: serial,
            detail: detail
          )
        end
      end
    end
  end
end
