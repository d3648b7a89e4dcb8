# frozen_string_literal: true

require "digest"
require "json"
require "securerandom"

module SteadyMove
  module Desk
    module Batches
      # A client's own yes to a batch, or a question about it: on a page under a secret address that
      # shows which names go where, on which day, what that costs and what becomes public. It ends
      # with the batch; what was agreed to holds only for what was shown.
      class Agreements
        ANSWERS = %w[yes question].freeze
        # What the public record shows of a contact without privacy (RFC 9083 §5.1).
        CONTACT = %w[name organization address telephone email].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = Store::Agreements.new(@ports.db)
        end

        # client: whose names of the batch, or nil for all of them. Returns the secret part of the
        # address, which is shown once. Raises Refused.
        def ask(batch_id, by:, client: nil)
          batch = open_batch(batch_id)
          names = names_of(batch, client)
          raise Refused.new(:unknown, :no_client, given: client) if names.empty?

          shown = AgreedPlan.new(@ports).shown(batch, names)
          refuse_nothing(shown)

          token = SecureRandom.urlsafe_base64(32)
          about = {
            made_at: @ports.now,
            asked_by: by,
            shown: shown,
            standing: standing(batch, names)
          }
          @rows.renew(batch_id, client, digest(token), about)
          note(batch, "agreement_asked", by, client)
          token
        end

        # [[Store::Agreements::Agreement, was the batch changed since?]].
        def list(batch) = @rows.of(batch.id).map { |one| [one, changed?(batch, one)] }

        # The clients of a batch's names, by how they are called.
        def clients(batch) = @ports.names.clients.values_at(*names_of(batch, nil)).compact.uniq.sort

        # Under an address: [Store::Batches::Batch, Agreement, was it changed since?]; nil where
        # there is none such, or the batch is over.
        def find(token)
          one = @rows.find(digest(token)) or return
          batch = @ports.batches.find(one.batch_id)
          [batch, one, changed?(batch, one)] if batch && batch.state != "closed"
        end

        # answer: yes or question; by: who answers, as they say; says: their question. Raises
        # Refused.
        def answer(token, answer:, by:, says: "")
          given = { answer: answer, answered_by: by.strip, says: says.strip }
          batch, one, changed = find(token)
          raise Refused.new(:unknown, :no_agreement) unless batch
          raise Refused.new(:not_now, :agreement_changed) if changed

          complete(given)
          @ports.db.transaction do
            unless @rows.answer(one.id, **given, answered_at: @ports.now)
              raise Refused.new(:not_now, :agreement_given)
            end

            note(batch, "agreement_#{answer}", given[:answered_by], one.client, says: given[:says])
          end
        end

        # Ends the address and what was answered. Raises Refused.
        def finish(batch_id, by:, client: nil)
          batch = open_batch(batch_id)
          raise Refused.new(:unknown, :no_agreement) unless @rows.finish(batch_id, client)

          note(batch, "agreement_ended", by, client)
        end

        # What a client's yes says of a name's contacts: {given_by, until}; nil where nobody agreed
        # to what the batch is now, nothing of it becomes public, or the day that was shown is over.
        def consent(batch, name)
          list(batch).each do |one, changed|
            next if changed || one.answer != "yes"

            ends = one.shown["names"].find { |n| n["name"] == name }&.fetch("public_until")
            return { given_by: signature(one), until: ends } if ends && ends > @ports.now
          end
          nil
        end

        # Questions that nobody has answered with a new page: {batch id => Agreement}.
        def questions = @rows.questions.to_h { |one| [one.batch_id, one] }

        private

        def refuse_nothing(shown)
          return if shown["names"].any?

          why = shown["left_out"].any? ? :agreement_none_able : :agreement_on_nothing
          raise Refused.new(:not_now, why, names: shown["left_out"])
        end

        def complete(given)
          raise Refused.new(:invalid, :agreement_by_nobody) if given[:answered_by].empty?
          return if given[:answer] == "yes" || !given[:says].empty?

          raise Refused.new(:invalid, :agreement_no_question)
        end

        def open_batch(id)
          BatchCommands
            .new(@ports)
            .find(id)
            .tap do |b|
              raise Refused.new(:not_now, :batch_closed, title: b.title) if b.state == "closed"
            end
        end

        def names_of(batch, client)
          clients = client && @ports.names.clients
          members(batch).map(&:name).select { |name| client.nil? || clients[name] == client }
        end

        def members(batch) = @ports.batches.members(batch.id).reject { |m| m.state == "dropped" }

        # What a yes rests on: where all of it goes and how.
        def standing(batch, names)
          own = members(batch).select { |m| names.include?(m.name) }.map { |m| [m.name, m.own] }
          Digest::SHA256.hexdigest(JSON.generate([batch.settings.except("trial"), own.sort]))
        end

        def changed?(batch, one) = standing(batch, names_of(batch, one.client)) != one.standing

        def signature(one) = one.client ? "#{one.answered_by} (#{one.client})" : one.answered_by
        def digest(token) = Digest::SHA256.hexdigest(token.to_s)

        def note(batch, key, by, client, **values)
          who = client || Words.phrase("batches.everyone")
          BatchCommands.new(@ports).note(batch, key, by, client: who, **values)
        end
      end
    end
  end
end
