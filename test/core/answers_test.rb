# frozen_string_literal: true

require_relative "../test_helper"

# What support says to a letter. Common practice, no source.
class AnswersTest < Minitest::Test
  QUOTED = "\n\nOn Mon, 8 Mar 2027, we wrote:\n> please send us the code\n"

  TOLD = {
    "Done." => "done",
    "Hello,\n\nyour domain has been unlocked.\n\nIf you have questions, please write to us." =>
      "done",
    "We have received your request. It will have been unlocked by tomorrow." => nil,
    "Thank you, we will look at it." => nil,
    "Please send us a copy of the holder's passport first." => "wants",
    "We can't do that before we have the owner's signature. Could you send it to us?" => "wants",
    "Unfortunately we cannot provide the code by email." => "refused",
    "Your request was declined." => "refused",
    "This is not possible for this suffix." => "refused",
    "If you need anything else, please let us know." => nil,
    "Please do not hesitate to contact us." => nil,
    "Please find attached the invoice." => nil,
    "We do not charge anything for this." => nil,
    "We cannot say yet when it will be done." => nil,
    "Bitte senden Sie uns eine Kopie des Ausweises." => "wants",
    "Leider können wir das nicht per E-Mail ausführen." => "refused",
    "Die Transfersperre wurde aufgehoben." => "done",
    "Veuillez nous envoyer une copie de la pièce d’identité." => "wants",
    "Nous ne pouvons pas traiter votre demande." => "refused",
    "Le domaine a été déverrouillé." => "done",
    "Le rogamos que nos envíe su documento. Necesitamos una copia." => "wants",
    "No podemos desbloquear el dominio." => "refused",
    "El dominio ha sido desbloqueado." => "done",
    "Per favore può inviarci una copia del documento?" => "wants",
    "Non possiamo sbloccare il dominio." => "refused",
    "Il dominio è stato sbloccato." => "done",
    "Wilt u ons een kopie van het paspoort sturen?" => "wants",
    "Wij kunnen we dit helaas niet doen; dat kunnen wij niet." => "refused",
    "Het domein is ontgrendeld." => "done",
    "Por favor envie-nos uma cópia do documento." => "wants",
    "Infelizmente não podemos desbloquear o domínio." => "refused",
    "O domínio foi desbloqueado." => "done",
    "Prosimy o przesłanie kopii dokumentu." => "wants",
    "Niestety nie możemy odblokować domeny." => "refused",
    "Blokada została usunięta." => "done",
    "書類をお送りください。" => "wants",
    "申し訳ございませんが、対応できません。" => "refused",
    "ロックを解除いたしました。" => "done"
  }.freeze

  def test_what_is_said
    TOLD.each do |text, told|
      assert_equal [text, told], [text, SteadyMove::Core::Post::Answers.of(text + QUOTED)]
    end
  end
end
