# frozen_string_literal: true

module SteadyMove
  module Desk
    module Records
      # Gets a name's present zone, in whichever way it can be had, keeps it, and says how complete
      # it is.
      class ZoneGetting
        Records = Core::Records
        SOURCES = %w[file table transfer walk probe].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # source: of SOURCES; text: of a file or a table; keep: take what is right although
        # something is wrong; more: labels to probe besides. Returns the
        # Store::ZoneMigrations::Copy; raises Refused with what is wrong where.
        def call(name, source:, by:, text: nil, keep: false, more: [])
          held!(name)
          zone, complete, says, left =
            case source
            when "file"
              from_file(name, text.to_s, keep)
            when "table"
              from_table(name, text.to_s, keep)
            when "transfer"
              transferred(name)
            when "walk"
              walked(name)
            when "probe"
              probed(name, more)
            else
              raise Refused.new(:invalid, :no_zone_source, known: SOURCES)
            end
          kept(name, zone, source, complete, says, left, by)
        rescue Records::ZoneError => e
          raise Refused.new(
                  :invalid,
                  :zone_unreadable,
                  line: e.line,
                  column: e.column || 1,
                  reason: e.reason
                )
        rescue Wire::Error => e
          raise Refused.new(:not_now, :zone_not_got, says: e.says)
        end

        # The newest copy, got by zone transfer where the present host hands its zones over. Raises
        # Wire errors.
        def transfer(name, by:)
          kept(
            name,
            *transferred(name).then do |zone, complete, says, left|
              [zone, "transfer", complete, says, left]
            end,
            by
          )
        end

        # The best copy that the servers allow: by transfer, else along its NSEC records, else by
        # probing. Raises Refused where none of them says anything.
        def best(name, by:)
          %w[transfer walk probe].each do |source|
            return call(name, source: source, by: by)
          rescue Refused => e
            raise e if source == "probe" || e.kind == :unknown
          end
        end

        # The servers that the name has now; raises Refused where none is known.
        def servers(name)
          found = Portfolio::Judging.new(@ports).one(name)&.facts&.[](:name_servers).to_a
          found.empty? ? raise(Refused.new(:not_now, :no_name_servers, name: name)) : found
        end

        private

        def held!(name) =
          @ports.names.find(name) || raise(Refused.new(:unknown, :not_held, name: name))

        def kept(name, zone, source, complete, says, left, by)
          raise Refused.new(:invalid, :zone_empty, name: name) if zone.all.empty?

          copy =
            @ports.zone_migrations.keep_copy(
              name,
              zone,
              source: source,
              complete: complete,
              says: says,
              left: left,
              by: by,
              at: @ports.now
            )
          @ports.journal.add(
            "zone_got",
            at: @ports.now,
            name: name,
            by: by,
            says:
              Words.phrase(
                "journal.zone_got",
                name: name,
                sets: Words.sets(copy.sets),
                by: by,
                source: Words.say(:"records.sources.#{source}")
              )
          )
          copy
        end

        def from_file(name, text, keep)
          zone = Records::ZoneReader.read(text, origin: name, keep: keep, generate: false)
          left =
            zone.problems.map { |e| [e.line, e.reason] } +
              zone.ignored.map do |line, r|
                [line, Words.say(:"records.outside", at: r.name.to_host, name: name)]
              end
          refuse_other_zone(zone, name)
          whole = zone.soa && zone.problems.empty?
          [
            zone,
            whole ? true : false,
            phrase(whole ? "file" : "file_partly", zone, left: left.size),
            left
          ]
        end

        # A zone for another name: nothing in it lies within.
        def refuse_other_zone(zone, name)
          return unless zone.all.empty? && zone.ignored.any?

          raise Refused.new(
                  :invalid,
                  :zone_of_another,
                  name: name,
                  found: zone.ignored.first.last.name.to_host
                )
        end

        def from_table(name, text, keep)
          found = Records::TableReader.read(text, origin: name)
          if found.problems.any? && !keep
            line, why = found.problems.first
            raise Refused.new(:invalid, :zone_unreadable, line: line, column: 1, reason: why)
          end
          note_services(name, found)
          left =
            found.problems +
              found.aliases.map do |n, target|
                [0, Words.say(:"records.alias", at: n.to_host, to: target)]
              end
          whole = found.zone.records + found.aliases.flat_map { |owner, _| addresses(name, owner) }
          zone = Records::Zone.new(found.zone.origin, whole)
          [zone, nil, phrase("table", zone, assumed: found.assumed, left: left.size), left]
        end

        # What the present host makes of an alias at the top: addresses, as it answers them now.
        def addresses(name, owner)
          server = servers(name).first
          %w[A AAAA].flat_map { |type| @ports.dns.query(server, owner.to_s, type).set(owner, type) }
        end

        # What of a table is a service of the host and no record is tied to the old account.
        def note_services(name, found)
          found.services.each do |_, at, type, value|
            TiedServices.new(@ports).found(
              name,
              kind: type.match?(/MAIL/) ? "mail_forwarding" : "web_forwarding",
              detail: "#{at} → #{value}"
            )
          end
        end

        def transferred(name)
          server = servers(name).first
          host = @ports.accounts.host_serving(servers(name))
          zone = @ports.dns.transfer(server, name, key: host && Common::Zones.key(host))
          [zone, true, phrase("transfer", zone, server: server), []]
        end

        def walked(name)
          server = servers(name).first
          zone = @ports.dns.walk(server, name)
          [zone, true, phrase("walk", zone, server: server), []]
        end

        # The first server that serves the zone; else the first, whose answer says why not.
        def talking(servers, name)
          servers.find do |server|
            @ports
              .dns
              .query(server, name, "SOA")
              .then { |a| a.rcode == "NOERROR" && a.authoritative }
          rescue Wire::Error
            false
          end || servers.first
        end

        def probed(name, more)
          server = talking(servers(name), name)
          found =
            Records::Probing.run(
              Records::Name.parse(name),
              today: @ports.now.to_date,
              nonce: method(:nonce),
              more: more + known_labels(name)
            ) do |at, type|
              answer = @ports.dns.query(server, at.to_s, type)
              unless %w[NOERROR NXDOMAIN].include?(answer.rcode)
                raise Wire::Refused.new(answer.rcode, "#{server}: #{answer.rcode}")
              end

              [
                answer.rcode,
                (
                  if answer.authoritative || answer.rcode == "NXDOMAIN"
                    answer.answer
                  else
                    answer.authority
                  end
                )
              ]
            end
          [found.zone, false, probed_says(found), []]
        end

        def probed_says(found)
          return phrase("probe", found.zone, asked: found.asked) unless found.wildcard

          at = found.wildcards.map(&:to_host)
          phrase("probe_wildcard", found.zone, asked: found.asked, at: at)
        end

        def nonce = "sm-#{@ports.random.rand(2**40).to_s(36)}"

        # Labels that earlier copies and the other names' zones of this desk have.
        def known_labels(name)
          @ports
            .zone_migrations
            .copies(name)
            .first(2)
            .flat_map do |held|
              @ports.zone_migrations.copy_of(name, id: held.id).zone.all.map { |s| s.name.to_s }
            end
            .uniq
        end

        def phrase(key, zone, **values)
          Words.phrase("records.complete.#{key}", sets: Words.sets(zone.content.size), **values)
        end
      end
    end
  end
end
