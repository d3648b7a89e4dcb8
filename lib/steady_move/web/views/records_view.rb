# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # Names' records as JSON: the list, and the sheet of one name.
      module RecordsView
        module_function

        def line(line)
          line
            .to_h
            .slice(:name, :unicode, :account, :present, :ends, :new_host, :choice, :state, :servers)
            .merge(copy: line.copy && copy(line.copy), move: line.move&.id)
        end

        def copy(copy)
          {
            id: copy.id,
            source: copy.source,
            sets: copy.sets,
            complete: copy.complete,
            says: Words.text(copy.says),
            left: copy.left.map { |number, why| { line: number, why: why } },
            seen_at: Json.time(copy.seen_at),
            by: copy.by
          }
        end

        def choice(choice)
          {
            id: choice.id,
            title: Words.say(:"records.choices.#{choice.id}.title"),
            recommended: choice.recommended,
            open: choice.open,
            means: choice.means.map { |m| Words.text(m) },
            because: choice.because && Words.text(choice.because)
          }
        end

        # form: FormFields where records are entered by hand, else nil.
        def row(row, form, limits)
          {
            set: row.id,
            owner: row.name.to_host,
            type: row.type,
            kind: row.kind.to_s,
            old: set(row.old),
            new: set(row.new),
            wanted: set(row.wanted),
            breaks: row.breaks && Words.text(row.breaks),
            decision: row.decision && decision(row.decision),
            says: row.says.map { |s| Words.text(s) },
            needs: row.needs,
            there: row.there?,
            fields: fields(row, form, limits)
          }
        end

        def set(set)
          set &&
            {
              ttl: set.ttl,
              data: set.rdatas.map { |r| r.to_s.dup.force_encoding("UTF-8").scrub("?") }
            }
        end

        def decision(decision)
          decision.to_h.slice(:choice, :text, :ttl, :reason, :by).merge(at: Json.time(decision.at))
        end

        # What is typed for each record that is not there yet.
        def fields(row, form, limits)
          return [] if form.nil? || row.wanted.nil? || row.there?

          row.wanted.to_a.map do |r|
            form.rows(r, ttl: limits.ttl(r.ttl)).map { |key, text| { key: key, text: text } }
          end
        end

        def tied(tied)
          tied
            .to_h
            .slice(:key, :kind, :detail, :state, :reason, :by)
            .merge(title: Words.say(:"records.tied.#{tied.kind}"), at: Json.time(tied.at))
        end

        def handover(found)
          return unless found

          {
            unbounded: found.unbounded,
            assumed: found.assumed,
            way_back_seconds: found.seconds,
            instants: found.instants.map { |i| instant(i) }
          }
        end

        def instant(instant)
          instant.to_h.merge(
            at: Json.time(instant.at),
            since: Words.text(instant.since),
            back: Words.text(instant.back)
          )
        end

        def seen(seen)
          {
            server: seen.server,
            role: seen.role,
            state: seen.state,
            serial: seen.serial,
            since: Json.time(seen.since),
            seen_at: Json.time(seen.seen_at),
            differs: seen.detail["differs"] || [],
            count: seen.detail["count"],
            name_servers: seen.detail["name_servers"] || [],
            ds: seen.detail["ds"] || [],
            glue: seen.detail["glue"] || [],
            why: seen.detail["why"]
          }
        end

        def host(host)
          {
            id: host.id,
            title: host.title,
            connected: host.connected?,
            name_servers: host.name_servers,
            site: host.habits["site"],
            login: host.habits["login"],
            reads_files: host.habits["reads_files"] != false,
            ends_with: host.ends_with
          }
        end
      end
    end
  end
end
