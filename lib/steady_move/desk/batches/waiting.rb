# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # Batches that go on only when a person does something: what, and who may.
      class Waiting
        # kind: asked (a second person has to agree), halted, held (names that could not be
        # started) or question (a client wants to know something); says: the sentence; names: those
        # that are meant, empty for all; least: the role that it takes; not_by: the person who may
        # not, or nil; by: who looks after it.
        One = Struct.new(:batch, :kind, :says, :names, :least, :not_by, :by, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Returns [One], the oldest first.
        def list
          asking = Agreements.new(@ports).questions
          drafts = asking.keys.filter_map { |id| @ports.batches.find(id) }
          open = @ports.batches.open + drafts.select { |b| b.state == "draft" }
          open
            .uniq(&:id)
            .sort_by(&:id)
            .filter_map do |batch|
              asking[batch.id] ? question(batch, asking[batch.id]) : one(batch)
            end
        end

        private

        # Of a client, for whom nobody has made a new page yet.
        def question(batch, asked)
          values = { who: asked.answered_by, says: asked.says }
          made(batch, "question", values, by: asked.asked_by)
        end

        def one(batch)
          case batch.state
          when "asked"
            made(batch, "asked", least: "approver", not_by: batch.asked_by)
          when "halted"
            made(batch, "halted")
          when "running"
            held(batch)
          end
        end

        # Those that a person holds back have no reason that the desk would know.
        def held(batch)
          held = @ports.batches.held_back(batch.id)
          return if held.empty?

          values = { count: held.size, why: held.first.says }
          made(batch, "held", values, names: held.map(&:name))
        end

        def made(batch, kind, values = {}, **more)
          says =
            Words.say(:"batches.waiting.#{kind}", title: batch.title, who: batch.asked_by, **values)
          usual = { names: [], least: "mover", by: batch.asked_by || batch.by }
          One.new(batch: batch, kind: kind, says: says, **usual, **more)
        end
      end
    end
  end
end
